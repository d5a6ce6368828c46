"""Briefs of the invented Quillhaven Tide Museum, made for these tests after the rules they test."""

from __future__ import annotations

from dearhost.script import Brief


def _brief(topic: str, purpose: str, audience: str, tone: str, call: str, points: str, remarks: str = "") -> Brief:
    return Brief(
        topic=topic,
        purpose=purpose,
        audience=audience,
        tone=tone,
        call_to_action=call,
        own_words=remarks.strip(),
        points=tuple(points.strip().split("\n")),
    )


LANTERN = _brief(
    "the harbour lantern",
    "sell the harbour lantern to people with a boat",
    "people who moor in the harbour",
    "warm",
    "Order yours at the museum desk before Sunday",
    """
shines for forty hours on one candle
no plug and no charger needed
Hang it on the rail with the copper hook
You can see your own boat from the far pier
weighs 600 grams
The glass is blown in Quillhaven, so no two are alike
made by Edda and her sister
29 pounds at the museum desk
It comes with three spare wicks
""",
    """
I rowed past my own boat in the dark.
My torch is always flat when I need it.
I just want to find my way back to the mooring.
""",
)
LIMPET = _brief(
    "the limpet",
    "know why a limpet always comes home",
    "families at low tide",
    "friendly, clear",
    "Look for a ring on the rock and leave the limpet where it is",
    """
A limpet is a snail with a shell like a little hat
It walks about when the rock is wet
Its foot holds so hard that a grown man cannot pull it off
At low water it sits on one spot, and the spot fits its shell exactly
Its shell grinds a ring into the rock, so the fit gets better every year
The ring keeps water in, because the edge leaves no gap
Without water it dries out in a day
That is why it always comes home before the tide goes out
It follows its own trail of slime back
A limpet can live for fifteen years
""",
    """
Why doesn't it just stay put?
I thought they were glued on.
""",
)
STEPS = _brief(
    "the sea steps",
    "warn bathers of the sea steps in time",
    "bathers",
    "calm",
    "Read the board at the top of the steps first",
    """
The lower steps are under water from half tide on
Weed grows on the lower steps, so they are slippery even when they look dry
Never dive from the steps
Keep one hand on the rail
Leave the water by the ladder when the swell is high
If the yellow flag is up, do not go in
There is a ring and a rope beside the hut
Last summer three bathers broke a wrist on the steps
The warden is at the hut from ten to six
""",
    """
I didn't see the weed at all.
Nobody told me how slippery they are.
""",
)
KEEPER = _brief(
    "the keeper's last night",
    "make people come to the lamp tour",
    "families",
    "quiet, a little eerie",
    "Climb the tower with us on Thursday at dusk",
    """
Aldous Finch kept the lamp on Heron Point for thirty years
On his last night the fog came in before dark
He lit the lamp and climbed down for his supper
Then he heard a horn where no ship should be
He ran up again, and the lamp was out
He could not find his matches
He rang the bell with both hands for two hours
In the morning a boat lay at anchor under the point
Its captain had steered by the bell
Finch never asked who had blown the horn
The lamp tour ends at his bell
""",
    "My grandmother still hums when she hears that bell.",
)
GUIDES = _brief(
    "your first tour",
    "welcome new guides and tell them what to bring",
    "new guides",
    "warm, informal",
    "Write back with the day that suits you",
    """
Meet Maren at the green gate at nine
Bring shoes that may get wet
You walk behind Maren on the first tour and say nothing
After two tours you take the first half yourself
You will always have a second guide with you
Tea is in the boathouse, and Skerry steals biscuits
If you are late, ring the desk
There are nine guides, and six of them began last year
""",
    "I was afraid somebody would ask me something I don't know.",
)
LANTERNS = _brief(
    "the night of lanterns",
    "fill the night of lanterns",
    "families with small children",
    "cheerful",
    "Book a place at the desk or by telephone",
    """
Saturday 3 October, from six to nine
Every child carries a lantern along the pier
all lanterns are lent
led by Tobias, who knows the harbour in the dark
Not a race: we stop at every boat
Hot soup costs 2 pounds
8 pounds for a family
Only 40 lanterns
Wear something warm, even if the day was mild
""",
    """
Ours are in bed by eight.
Is it ok with a pram?
I want something we can all do together.
""",
)
ALL = {
    "lantern": LANTERN,
    "limpet": LIMPET,
    "steps": STEPS,
    "keeper": KEEPER,
    "guides": GUIDES,
    "lanterns": LANTERNS,
}
SPEAKERS = ("Maren", "Skerry")
