"""Three texts in the public domain, typed from memory, in parts shortened, a few sentences between them added.

Lewis Carroll, Alice's Adventures in Wonderland (1865), chapters 1, 2 and 7. Jerome K. Jerome, Three Men in a Boat
(1889), chapters 1, 3 and 4. Kenneth Grahame, The Wind in the Willows (1908), chapter 1.
"""

ALICE = """
Alice was beginning to get very tired of sitting by her sister on the bank, and of having nothing to do. Once or
twice she had peeped into the book her sister was reading, but it had no pictures or conversations in it. So she
was considering in her own mind whether the pleasure of making a daisy chain would be worth the trouble of
getting up and picking the daisies, when suddenly a white rabbit with pink eyes ran close by her. There was
nothing so very remarkable in that. Nor did Alice think it so very much out of the way to hear the rabbit say to
itself that it would be late. But when the rabbit actually took a watch out of its pocket, and looked at it, and
then hurried on, Alice started to her feet. It flashed across her mind that she had never before seen a rabbit
with either a pocket, or a watch to take out of it. Burning with curiosity, she ran across the field after it,
and fortunately was just in time to see it pop down a large hole under the hedge. In another moment down went
Alice after it, never once considering how in the world she was to get out again. The hole went straight on like
a tunnel for some way, and then dipped suddenly down. Either the well was very deep, or she fell very slowly,
for she had plenty of time as she went down to look about her. First, she tried to look down and make out what
she was coming to, but it was too dark to see anything. Then she looked at the sides of the well, and noticed
that they were filled with cupboards and shelves. She took down a jar from one of the shelves as she passed, but
to her great disappointment it was empty. She did not like to drop the jar for fear of killing somebody, so she
managed to put it into one of the cupboards as she fell past it. Down, down, down. There was nothing else to do,
so Alice soon began talking again. Her sister, who was reading a book without pictures, had not noticed
anything. She felt that she was dozing off, and had just begun to dream that she was walking hand in hand with
her cat, when suddenly she came down upon a heap of sticks and dry leaves. Alice was not a bit hurt, and she
jumped up on to her feet in a moment. She looked up, but it was all dark overhead. Before her was another long
passage, and the white rabbit was still in sight, hurrying down it. There was not a moment to be lost. Away went
Alice like the wind, and she was just in time to hear it say, as it turned a corner, how late it was getting.
There were doors all round the hall, but they were all locked. Suddenly she came upon a little three-legged
table, all made of solid glass. There was nothing on it except a tiny golden key, and Alice's first thought was
that it might belong to one of the doors of the hall. The locks were too large, or the key was too small, but at
any rate it would not open any of them. However, on the second time round, she came upon a low curtain she had
not noticed before, and behind it was a little door. She tried the little golden key in the lock, and to her
great delight it fitted. It was the white rabbit returning, splendidly dressed, with a pair of white kid gloves
in one hand and a large fan in the other. Alice took up the fan and gloves, and, as the hall was very hot, she
kept fanning herself all the time she went on talking. As she said this she looked down at her hands, and was
surprised to see that she had put on one of the rabbit's little white gloves. The pool was getting quite crowded
with the birds and animals that had fallen into it, and Alice led the way. There was a table set out under a
tree in front of the house, and the March Hare and the Hatter were having tea at it. The table was a large one,
but the three were all crowded together at one corner of it. The Hatter opened his eyes very wide on hearing
this, but he only asked a riddle. Alice sighed wearily, and she looked at the clock, which had stopped. The
Dormouse, which had fallen asleep, was pinched by the Hatter. The Hatter was the first to break the silence, and
he took his watch out of his pocket, looking at it uneasily. Alice thought the whole thing very absurd, but they
all looked so grave that she did not dare to laugh. The tea was rather weak, and the butter, which was the best
butter, did not suit the works. You should really learn not to make personal remarks. In fact, this piece of
rudeness was more than Alice could bear. Of course, the Dormouse fell asleep instantly. She got up in great
disgust, and she walked off, looking back once or twice.
"""
BOAT = """
There were four of us, and we were sitting in my room, smoking, and talking about how bad we were. We were all
feeling seedy, and we were getting quite nervous about it. With me, it was my liver that was out of order. I
knew it was my liver that was out of order, because I had just been reading a patent liver-pill circular, in
which were detailed the various symptoms by which a man could tell when his liver was out of order. I had them
all. It is a most extraordinary thing, but I never read a patent medicine advertisement without being impelled
to the conclusion that I am suffering from the particular disease therein dealt with. I remember going to the
British Museum one day to read up the treatment for some slight ailment of which I had a touch. I got down the
book, and read all I came to read, and then, in an unthinking moment, I idly turned the leaves. I sat for a
while, frozen with horror, and then, in the listlessness of despair, I again turned over the pages. I had walked
into that reading-room a happy, healthy man. I crawled out a decrepit wreck. I went to my medical man, who is an
old chum of mine, and feels my pulse, and looks at my tongue. He opened me and looked down me, and clutched hold
of my wrist, and then he hit me over the chest when I was not expecting it. After that, he sat down and wrote
out a prescription, and folded it up and gave it me, and I put it in my pocket and went out. I did not open it.
I took it to the nearest chemist's, and handed it in. The man read it, and then handed it back. He said he did
not keep it. You never saw such a commotion up and down a house, in all your life, as when my uncle undertook to
do a job. A picture would have come home from the frame-maker's, and be standing in the dining-room, waiting to
be put up. Then he would take off his coat, and begin. He would send the girl out for sixpenn'orth of nails, and
then one of the boys after her to tell her what size to get. And then he would lift up the picture, and drop it,
and it would come out of the frame, and he would try to save the glass, and cut himself. He could not find his
handkerchief, because it was in the pocket of the coat he had taken off, and he did not know where he had put
the coat. Two people would have to hold the chair, and a third would help him up on it, and hold him there, and
a fourth would hand him a nail. The nail, which was the last one in the house, would be lost. We would all have
to go down on our knees and grovel for it, while he would stand on the chair and grunt. At last, Uncle Podger
would get the spot fixed again, and put the point of the nail on it with his left hand, and take the hammer in
his right hand. And, with the first blow, he would smash his thumb, and drop the hammer, with a yell, on
somebody's toes. About midnight, the picture would be up, very crooked and insecure. The wall for yards round
looked as if it had been smoothed down with a rake, and everybody was dead beat and wretched. We agreed that we
would not take a tent, and George said that we must not think of the things we could do with, but only of the
things that we could not do without. George, who is a very sensible person at times, said that it was really
quite simple. We arranged to start on the following Saturday from Kingston, and Harris and I would go down in
the morning. I rather pride myself on my packing, and it is one of those things that I feel I know more about
than any other person living. The bag was strapped, and they both sat down to have a laugh at it. It took us
some time to find the toothbrush, which was, of course, at the very bottom. Harris said that there would be no
difficulty, and he began to pack, breaking a cup at once. They upset salt over everything, and as for the
butter, I never saw two men do more with it. There is a kind of man who never weeps. The dog came and sat down
on things, just when they were wanted to be packed. To tell you the truth, I do not think his ambition in life
goes further than that.
"""
WILLOWS = """
The Mole had been working very hard all the morning, spring-cleaning his little home. First he worked with
brooms, then with dusters, and then on ladders and steps and chairs, with a brush and a pail of whitewash. He
had dust in his throat and eyes, and splashes of whitewash all over his black fur, and he had an aching back and
weary arms. Spring was moving in the air above and in the earth below and around him. It was small wonder, then,
that he suddenly flung down his brush on the floor, and bolted out of the house without even waiting to put on
his coat. Something up above was calling him imperiously, and he made for the steep little tunnel. So he scraped
and scratched and scrabbled and scrooged, working busily with his little paws, till at last his snout came out
into the sunlight. The sunshine struck hot on his fur, and soft breezes caressed his heated brow. After the
seclusion of the cellarage he had lived in so long, the carol of happy birds fell on his dulled hearing almost
like a shout. He went across the meadow, jumping off all his four legs at once, in the joy of living. It all
seemed too good to be true. He wandered hither and thither through the meadows, along the hedgerows, across the
copses, finding everywhere birds building, flowers budding, leaves thrusting. He thought his happiness was
complete when, as he meandered aimlessly along, suddenly he stood by the edge of a full-fed river. Never in his
life had he seen a river before. The Mole was bewitched, and he trotted along by the side of it as one trots,
when very small, by the side of a man who holds one spellbound by exciting stories. When tired at last, he sat
on the bank, while the river still chattered on to him. As he sat on the grass and looked across the river, a
dark hole in the bank opposite, just above the water's edge, caught his eye. As he gazed, something bright and
small seemed to twinkle down in the heart of it, vanished, then twinkled once more like a tiny star. But it
could hardly be a star in such an unlikely situation, and it was too glittering and small for a glow-worm. Then
it winked at him, and so declared itself to be an eye. A small face began gradually to grow up round it, like a
frame round a picture. It was the Water Rat. The two animals stood and regarded each other cautiously. The Rat
said nothing, but stooped and unfastened a rope and hauled on it. He stepped lightly into a little boat, which
the Mole had not observed. It was painted blue outside and white within, and was just the size for two animals.
The Mole's whole heart went out to it at once, even though he did not yet fully understand its uses. The Rat
sculled smartly across, and made fast. Then he held up his forepaw as the Mole stepped gingerly down. The Mole,
who had never been in a boat before, leaned back in his seat. He surveyed the cushions, the oars, the rowlocks,
and all the fascinating fittings, and felt the boat sway lightly under him. There is a basket that holds cold
chicken and ham. The Rat, who was in a hurry, took the sculls again, and pulled away. The Mole trailed a paw in
the water, dreaming long waking dreams. The bank was quite steep there, and the boat slid up to a landing that
was, as it happens, very small. The Rat made the boat fast, helped the Mole ashore, and swung out the basket.
The Otter, who had come up for a moment, shook the water out of his coat. In fact, the afternoon sun was getting
low, and the Rat sculled gently homewards in a dreamy mood. The Mole was actually very full of lunch, and he was
already quite at home in the boat. The Rat was really very kind, and he brought out dry clothes and slippers,
which were far too large. Of course, it was a small house, with a fire in the parlour.
"""
TEXTS = {"alice": ALICE, "boat": BOAT, "willows": WILLOWS}
SHORT = {
    "alice": """
Alice was tired of sitting by her sister on the bank. Suddenly a white rabbit with pink eyes ran close by her.
When the rabbit took a watch out of its pocket, Alice started to her feet. She ran across the field after it,
and saw it pop down a large hole under the hedge. The hole went straight on like a tunnel, and then dipped
suddenly down. Either the well was deep, or she fell slowly. The sides of the well were filled with cupboards
and shelves. She came down upon a heap of sticks and dry leaves. There were doors all round the hall, but they
were all locked. There was a tiny golden key on a little table. Behind a low curtain was a little door. She
tried the key in the lock, and it fitted.
""",
    "boat": """
There were four of us, talking about how bad we were. I knew it was my liver, because I had been reading a
patent liver-pill circular. I had all the symptoms. I went to the British Museum to read up some ailment. I
walked into that reading-room a happy, healthy man, and crawled out a decrepit wreck. I went to my medical man.
He wrote out a prescription, and I took it to the chemist's. He said he did not keep it. You never saw such a
commotion in a house as when my uncle undertook to do a job. He would lift up the picture, and drop it, and cut
himself. He could not find his handkerchief. With the first blow, he would smash his thumb. About midnight, the
picture would be up, crooked and insecure.
""",
    "willows": """
The Mole had been working hard all the morning, spring-cleaning his home. Spring was moving in the air. Suddenly
he flung down his brush and bolted out of the house. He scraped and scratched, till his snout came out into the
sunlight. He went across the meadow in the joy of living. Suddenly he stood by the edge of a river. Never had he
seen a river before. The Mole was bewitched, and sat on the bank. A dark hole in the bank opposite caught his
eye. Something twinkled like a tiny star, and winked at him. It was the Water Rat. He stepped into a little
boat. The Mole had never been in a boat before.
""",
}
"""Short versions written by hand, to compare with."""
