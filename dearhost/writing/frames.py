"""Frames: words that say nothing themselves and hold the points together.

Each place has its words, and a tone may have its own. None holds a number, a promise or a thing of its own, so that
a draft says only what the brief does. ``{t}`` is the topic, ``{T}`` the topic with a capital; other fields are named
where the frame is used.
"""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum


class Tone(StrEnum):
    """The tones that have frames of their own."""

    PLAIN = "plain"
    FORMAL = "formal"
    CALM = "calm"
    EERIE = "eerie"


TONE_WORDS: Mapping[str, Tone] = {
    "formal": Tone.FORMAL,
    "serious": Tone.FORMAL,
    "eerie": Tone.EERIE,
    "sinister": Tone.EERIE,
    "spooky": Tone.EERIE,
    "calm": Tone.CALM,
    "clear": Tone.CALM,
    "quiet": Tone.CALM,
}
"""Words of a brief's tone, the first that is found deciding."""

FRAMES: Mapping[str, Mapping[Tone, tuple[str, ...]]] = {
    "after pain": {
        Tone.PLAIN: (
            "Sound familiar?",
            "You too?",
            "That's how one of you put it.",
            "Not our words. Yours.",
            "Remember that feeling?",
        ),
        Tone.FORMAL: ("That is how one of you put it.", "These are your words, not ours."),
        Tone.CALM: ("That's how one of you put it.", "Somebody like you said that."),
        Tone.EERIE: ("Somebody wrote that down.", "Those are not our words."),
    },
    "after wish": {
        Tone.PLAIN: ("Fair enough.", "That's not much to ask.", "Well, then.", "Right. Let's do that."),
        Tone.FORMAL: ("A reasonable wish.",),
        Tone.CALM: ("Fair enough.",),
    },
    "after question": {
        Tone.PLAIN: ("Good question.", "Let's find out.", "Let's look.", "Somebody had to ask."),
        Tone.FORMAL: ("A good question.",),
        Tone.CALM: ("A good question.",),
    },
    "after belief": {
        Tone.PLAIN: (
            "Good guess. Let's check it.",
            "It sounds right. Let's look closer.",
            "Many a good thought starts like that. Let's test it.",
        ),
        Tone.FORMAL: ("Let us look more closely.",),
    },
    "after praise": {
        Tone.PLAIN: ("That's how one of you put it.", "Not our words. Yours."),
        Tone.FORMAL: ("That is how one of you put it.",),
    },
    "number held": {
        Tone.PLAIN: (
            "Keep that number.",
            "Hold on to that.",
            "Remember that. It comes back.",
            "We'll come back to that.",
        ),
        Tone.FORMAL: ("Please keep that number in mind.",),
        Tone.EERIE: ("Remember that number.",),
        Tone.CALM: ("Remember that number.",),
    },
    "number again": {
        Tone.PLAIN: ("There's your number:", "And here it is:", "That's the number from the start:"),
        Tone.FORMAL: ("Here is the number again:",),
    },
    "introduction": {
        Tone.PLAIN: ("This is {t}.", "Here's {t}.", "So: {t}."),
        Tone.FORMAL: ("This is {t}.",),
    },
    "way out": {
        Tone.PLAIN: (
            "That's what {t} is for.",
            "There's something for that: {t}.",
            "So here's {t}.",
            "That's why there's {t}.",
        ),
        Tone.FORMAL: ("This is what {t} is for.",),
    },
    "more pain": {
        Tone.PLAIN: ("And then there's this:", "Another of you wrote:", "It doesn't stop there:", "Or this one:"),
        Tone.FORMAL: ("Another of you wrote:",),
        Tone.CALM: ("Another of you wrote:",),
    },
    "turn": {
        Tone.PLAIN: ("Now turn it round.", "Now think of it the other way round.", "It can be different."),
        Tone.FORMAL: ("It can be otherwise.",),
    },
    "bridge": {
        Tone.PLAIN: ("What's in between? {T}.", "What makes the difference? {T}.", "How do you get there? With {t}."),
        Tone.FORMAL: ("What makes the difference is {t}.",),
    },
    "objective": {
        Tone.PLAIN: (
            "By the end, you'll {purpose}.",
            "Stay with me, and you'll {purpose}.",
            "In {time}, you'll {purpose}.",
        ),
        Tone.FORMAL: ("At the end you will {purpose}.",),
    },
    "recall": {
        Tone.PLAIN: (
            "Start with what you can see.",
            "Let's start with something you can see.",
            "First, something you may have noticed.",
        ),
        Tone.FORMAL: ("Let us begin with what can be seen.",),
    },
    "presentation": {
        Tone.PLAIN: ("So what's going on?", "Here's what happens.", "Now, step by step."),
        Tone.FORMAL: ("This is what happens.",),
    },
    "likeness": {
        Tone.PLAIN: ("One picture helps.", "Try this picture."),
        Tone.FORMAL: ("A comparison may help.",),
    },
    "your turn": {
        Tone.PLAIN: ("Now you. Before I say it:", "Your turn.", "Don't peek ahead. Say it out loud:"),
        Tone.FORMAL: ("A question for you.",),
    },
    "feedback": {
        Tone.PLAIN: ("Got it?", "Here's the answer.", "Did you say it out loud?"),
        Tone.FORMAL: ("The answer:",),
    },
    "assessment": {
        Tone.PLAIN: ("And one more.", "One last check.", "Last one."),
        Tone.FORMAL: ("One more question.",),
    },
    "summary": {
        Tone.PLAIN: ("So, in short.", "Let's put it together.", "Once more, quickly."),
        Tone.FORMAL: ("In summary.",),
    },
    "cold opening again": {
        Tone.PLAIN: ("And that's where we came in.",),
        Tone.FORMAL: ("This is where we began.",),
    },
    "cold opening": {
        Tone.PLAIN: ("Let's go back to the beginning.", "But first things first."),
        Tone.EERIE: ("Go back to the beginning.", "It starts quietly."),
        Tone.FORMAL: ("Let us begin at the beginning.",),
    },
    "end of the story": {
        Tone.PLAIN: ("That's the story.", "And that's how it is to this day."),
        Tone.EERIE: ("That's all.", "Now you know."),
    },
    "hello": {
        Tone.PLAIN: (
            "Hello [name], and welcome.",
            "Good morning, [name]. Welcome.",
            "[name], hello. Good to have you.",
        ),
        Tone.FORMAL: ("Dear [name], welcome.",),
    },
    "oneself": {
        Tone.PLAIN: ("I'm {speaker_name}.", "{speaker_name} here."),
        Tone.FORMAL: ("My name is {speaker_name}.",),
    },
    "if you": {
        Tone.PLAIN: ("If that sounds like you:", "In case you're thinking the same:", "If that's you, don't worry:"),
        Tone.FORMAL: ("If you feel the same:",),
    },
    "counted steps": {
        Tone.PLAIN: (
            "{Number} things before you come.",
            "{Number} things, and you're set.",
            "Just {number} things to know.",
        ),
        Tone.FORMAL: ("{Number} things to know.",),
    },
    "goodbye": {
        Tone.PLAIN: ("See you soon.", "See you there.", "We're looking forward to it."),
        Tone.FORMAL: ("We look forward to seeing you.",),
        Tone.EERIE: ("See you there.",),
        Tone.CALM: ("Thank you.",),
    },
    "notice": {
        Tone.PLAIN: ("Before you go on, listen to this.", "One moment, please.", "Before you set out:"),
        Tone.FORMAL: ("Please listen before you go on.",),
        Tone.CALM: ("One moment before you go on.", "Before you set out, please listen."),
    },
    "what to do": {
        Tone.PLAIN: ("So here's what to do.", "What you do is simple."),
        Tone.FORMAL: ("Please do the following.",),
        Tone.CALM: ("Here's what to do.", "This is what you do."),
    },
    "once more": {
        Tone.PLAIN: ("Once more:", "If you remember one thing:"),
        Tone.FORMAL: ("Once again:",),
    },
    "street question": {
        Tone.PLAIN: ("We asked around: {question}", "One question, several answers: {question}"),
        Tone.FORMAL: ("We asked: {question}",),
    },
    "street answer": {
        Tone.PLAIN: ("Well, here's the answer.", "Let's clear that up."),
        Tone.FORMAL: ("Here is the answer.",),
    },
    "go on": {
        Tone.PLAIN: ("Go on.", "And then?", "What else?", "I'm listening.", "Anything else?", "And?"),
        Tone.FORMAL: ("Please go on.",),
    },
    "how": {
        Tone.PLAIN: ("So what do I do?", "And what do I have to do?"),
        Tone.FORMAL: ("What is to be done?",),
    },
    "talk begins": {
        Tone.PLAIN: ("Can I ask you something?", "What have you got there?", "You look like you know something."),
        Tone.FORMAL: ("May I ask you something?",),
    },
    "talk ends": {
        Tone.PLAIN: ("I'll do that.", "Right. I'm off.", "Consider it done."),
        Tone.FORMAL: ("I shall do so.",),
    },
    "call": {
        Tone.PLAIN: ("So {call}", "{Call}"),
        Tone.FORMAL: ("Please {call}",),
        Tone.CALM: ("So please {call}", "{Call}"),
    },
    "questions": {
        Tone.PLAIN: ("Short questions, short answers.", "A few questions, and the answers."),
        Tone.FORMAL: ("Your questions, and the answers.",),
    },
    "your questions": {
        Tone.PLAIN: ("You asked. Here are the answers.", "Your questions, one by one."),
        Tone.FORMAL: ("Your questions, and the answers.",),
    },
    "about the topic": {
        Tone.PLAIN: ("What should you know about {t}?", "What's this about {t}?"),
        Tone.FORMAL: ("What should be known about {t}?",),
    },
    "what it does": {Tone.PLAIN: ("What does {t} do?",)},
    "what you do": {Tone.PLAIN: ("So what do you do?",)},
    "with it": {Tone.PLAIN: ("With it,",)},
    "and still": {
        Tone.PLAIN: ("And still:", "And yet:"),
        Tone.FORMAL: ("And yet:",),
    },
    "in short": {
        Tone.PLAIN: ("So that's {t}: {list}.", "{T}, in short: {list}."),
        Tone.FORMAL: ("In short: {list}.",),
    },
    "price": {
        Tone.PLAIN: ("And it costs {price}.", "It costs {price}."),
        Tone.FORMAL: ("It costs {price}.",),
    },
    "to whom": {
        Tone.PLAIN: ("If you {audience}, this is for you.", "You {audience}? Then this is for you."),
        Tone.FORMAL: ("This is for those who {audience}.",),
    },
    "somebody wrote": {Tone.PLAIN: ("One of you wrote:",)},
}

LONGEST_SLOT = 60
"""Letters of an open slot, braces not counted (``script.placeholders`` finds no longer one)."""
NO_ANSWER = "{the answer: no point in the brief gives it}"
NO_CALL = "{what should they do now?}"
NO_PAIN = "{what bothers them, in their own words}"
NO_BEFORE = "{how it is for them today, in their own words}"
NO_AFTER = "{how it will be for them then}"
NO_STREET_ANSWER = "{an answer in their own words, at most 8 s}"
