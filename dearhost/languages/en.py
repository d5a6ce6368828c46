"""English. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, words
from dearhost.languages.lexicon import Lexicon

ENGLISH = Language(
    code="en",
    name="English",
    counted=("one first", "two second", "three third"),
    gesture_words={
        "greet": "hello hi goodbye bye",
        "welcome": "welcome",
        "thank": "thank thanks grateful sorry",
        "large": "huge enormous giant vast whole everything everybody everyone entire",
        "small": "tiny small little narrow slightest",
        "list": "first firstly three",
        "halt": "stop wait careful beware",
        "address": "you your yours yourself",
        "deny": "never not nobody nothing no none cannot *n't",
        "here": "here this",
        "agree": "yes exactly indeed right true always",
        "unsure": "maybe perhaps somehow whatever",
        "think": "think wonder imagine remember",
        "other": "other instead but whereas",
        "and": "and or",
    },
    heard={
        "bell": "bell|bells",
        "gull": "gull|gulls|seagull|seagulls",
        "thunder": "thunder|thunderstorm",
        "foghorn": "foghorn|foghorns",
        "applause": "applause|applaud|applauds|applauded",
        "train": "train|trains",
        "coin": "coins",
        "camera": "photograph|photographs|snapshot",
        "knock": "knock|knocks|knocked",
        "gong": "gong",
        "heartbeat": "heartbeat",
        "tick": "ticking",
        "phone": "phone rings|telephone rings|phone rang|ringing phone",
        "steps": "footsteps",
        "door": "door closes|door opens|door slams|door shuts|door closed|close the door|shut the door",
        "page": "turn the page|turns the page|turned the page",
        "typing": "typing|typewriter|keyboard",
        "pour": "pour|pours|poured",
        "cork": "champagne",
        "drum-roll": "drum roll|drumroll",
        "fanfare": "fanfare",
        "tear": "torn up|tears it up",
        "clock": "clock ticks",
        "rain": "rain|rains|rained|raining|drizzle",
        "wind": "the wind|gale|gales|gusts",
        "sea": "waves|surf|breakers",
        "fire": "campfire|fireplace|bonfire",
        "stream": "brook",
        "birds": "birdsong|songbirds|birds sing",
        "crickets": "crickets",
        "crowd": "crowd",
    },
    denials=words("no not never without nobody nothing silent stopped cannot neither nor"),
    directions={
        "title": "title|super|text on screen|on screen",
        "pause": "pause|beat|silence",
        "seconds": "s|sec|seconds?",
        "in-es": "in spanish",
        "in-fr": "in french",
        "in-it": "in italian",
        "in-de": "in german",
        "in-pt": "in portuguese",
        "in-nl": "in dutch",
        "left": "left",
        "right": "right",
        "point-left": r"points? (?:\w+ ){0,4}left",
        "point-right": r"points? (?:\w+ ){0,4}right",
        "point-up": r"points? (?:\w+ ){0,2}up",
        "nod": r"nods?",
        "shake": r"shakes? (?:\w+ )?head",
        "wave": r"waves?",
        "shrug": r"shrugs?",
        "thumb-up": r"thumbs? up",
        "thumb-down": r"thumbs? down",
        "clap": r"(?:claps?|applauds?)",
        "laugh": r"laughs?",
        "sigh": r"sighs?",
        "lean-in": r"leans? (?:in|forward|closer)",
        "beckon": r"beckons?",
        "count": r"counts? on (?:\w+ )?fingers",
        "heart": r"hand on (?:\w+ )?heart",
        "welcome": r"(?:opens? (?:\w+ )?arms|welcomes)",
        "think": r"(?:thinks?|wonders?|ponders?)",
        "listen": r"listens?",
        "stop": r"(?:holds? up (?:\w+ )?(?:hand|palm)|halts?)",
        "happy": r"(?:smiles?|smiling|beams)",
        "excited": r"(?:excited|thrilled)",
        "concerned": r"(?:worried|anxious|concerned|frowns?)",
        "sad": r"(?:sad|sadly|unhappy)",
        "angry": r"(?:angry|angrily|furious)",
        "surprised": r"(?:surprised|astonished|gasps?)",
        "walk-in": r"(?:walks? in|enters?|comes? in|arrives?)",
        "walk-out": r"(?:walks? (?:out|off|away)|leaves?|exits?|goes? off)",
        "walk-left": r"(?:walks?|goes|steps|moves) to (?:the )?left",
        "walk-middle": r"(?:walks?|goes|steps|moves) to (?:the )?middle",
        "walk-right": r"(?:walks?|goes|steps|moves) to (?:the )?right",
        "sit": r"sits? down|sits",
        "stand": r"(?:stands?|gets?) up|rises",
        "turn-away": r"turns? away",
        "turn-back": r"(?:turns? (?:back|to (?:the )?(?:camera|viewer|us)))",
        "look-viewer": r"looks? (?:at|to|into) (?:the )?(?:camera|viewer|us)",
        "look-notes": r"looks? (?:at|to) (?:the )?(?:notes|paper|script)|reads? (?:from )?(?:\w+ )?notes",
        "put-down": r"puts? (?:\w+ ){0,2}(?:down|away)|puts? down",
        "pass": r"(?:hands?|gives?|passes) (?:\w+ ){0,3}(?:over|on)|passes it",
        "close-up": r"close[- ]?up|close on",
        "wide": r"wide shot|wide",
        "hushed": r"(?:whispers?|whispering|quietly|hushed)",
        "calm": r"(?:calmly|calm)",
        "urgent": r"(?:urgently|urgent|shouts?)",
        "bright": r"(?:brightly|cheerfully)",
    },
    lexicon=Lexicon(
        language="en",
        point="point",
        minus="minus",
        percent="percent",
        range_word="to",
        decimal_comma=False,
        currencies={
            "$": ("dollar", "dollars", ""),
            "€": ("euro", "euros", ""),
            "£": ("pound", "pounds", ""),
            "¥": ("yen", "yen", ""),
        },
        units={
            "km": "kilometers", "m": "meters", "cm": "centimeters", "mm": "millimeters", "kg": "kilograms",
            "g": "grams", "lb": "pounds", "lbs": "pounds", "oz": "ounces", "l": "liters", "ml": "milliliters",
            "gb": "gigabytes", "mb": "megabytes", "tb": "terabytes", "hz": "hertz", "khz": "kilohertz",
            "ghz": "gigahertz", "fps": "frames per second", "mph": "miles per hour", "km/h": "kilometers per hour",
            "kn": "knots", "kw": "kilowatts", "tsp": "teaspoon", "tbsp": "tablespoon", "hrs": "hours", "hr": "hour",
            "min": "minutes", "sec": "seconds", "am": "A M", "pm": "P M", "m²": "square meters",
            "m³": "cubic meters", "°c": "degrees celsius", "°f": "degrees fahrenheit", "°": "degrees",
            "x": "times", "ft": "feet", "in": "inches", "inch": "inch", "★": "stars", "¢": "cents", "%": "percent",
        },
        magnitudes={"k": "thousand", "m": "million", "M": "million", "bn": "billion", "b": "billion", "B": "billion"},
        abbreviations={
            "dr.": "doctor", "mr.": "mister", "mrs.": "missus", "ms.": "miz", "prof.": "professor", "st.": "saint",
            "i.e.": "that is", "e.g.": "for example", "etc.": "et cetera", "vs.": "versus", "no.": "number",
            "vol.": "volume", "pp.": "pages", "p.": "page", "jan.": "january", "feb.": "february", "mar.": "march",
            "apr.": "april", "aug.": "august", "sept.": "september", "sep.": "september", "oct.": "october",
            "nov.": "november", "dec.": "december", "mon": "monday", "tue": "tuesday", "wed": "wednesday",
            "thu": "thursday", "fri": "friday", "a.m.": "A M", "p.m.": "P M", "ph.d.": "P H D",
            "approx.": "approximately",
            "dept.": "department", "est.": "established", "jr.": "junior", "sr.": "senior", "inc.": "incorporated",
            "ltd.": "limited", "co.": "company", "nasa": "nasa", "ceo": "C E O", "r&d": "R and D", "at&t": "A T and T",
            "h&m": "H and M", "p&g": "P and G", "m&ms": "M and Ms", "q&a": "Q and A", "c++": "C plus plus",
            "c#": "C sharp", "&": "and", "wi-fi": "wi fi", "http": "H T T P", "https": "H T T P S",
            "www": "double-u double-u double-u", "io": "I O", "ok": "O K", "pdf": "P D F", "usa": "U S A", "uk": "U K",
            "eu": "E U", "est": "E S T", "api": "A P I", "id": "I D", "ai": "A I", "diy": "D I Y", "faq": "F A Q",
            "oled": "O led", "ram": "ram", "e-mail": "email", "ipv6": "I P V six",
        },
        symbols={
            "+": "plus", "=": "equals", "@": "at", "#": "hashtag", "_": "underscore", "/": "slash", "~": "about",
            "<": "less than", ">": "greater than", "%": "percent", "&": "and", "°": "degrees", "²": "squared",
            "³": "cubed", "★": "stars", "¢": "cents", ".": "dot", "×": "times", "π": "pi", "μ": "micro", "§": "section",
            "√": "root", "≈": "about", "→": "to",
        },
        months=(
            "january", "february", "march", "april", "may", "june",
            "july", "august", "september", "october", "november", "december",
        ),
        fractions={"½": "a half", "¼": "a quarter", "¾": "three quarters", "⅓": "a third", "⅔": "two thirds",
                   "⅛": "an eighth"},
        ordinal=r"(\d+)(?:st|nd|rd|th)",
        oclock="o'clock",
    ),
    weak_ends=words(
        """
        a an the of to in on at by for with from and or but as is are was were be been not no i you he she it we
        they my your his her our their this that these those if so because into over under than mr. mrs. dr. very
        """
    ),
    function_words=words(
        """
        a about after again all also am an and any are as at be because been before being but by can could did do
        does doing down each every few for from further get got had has have having he her here hers him his how i
        if in into is it its just let like may me might more most much must my no nor not now of off on one only
        onto or other our out over own quite rather s same shall she should so some such than that the their theirs
        them then there these they this those through to too under until up upon us very was we were what when where
        which while who whom why will with within without would yes yet you your yours it's i'm you're we're they're
        that's there's don't doesn't didn't isn't aren't wasn't weren't won't can't couldn't let's i'll you'll we'll
        they'll i've you've we've they've
        """
    ),
    claims=words(
        """
        always never every only best first most least nobody everybody everyone everything nothing
        """
    ),
    problems=words(
        """
        problem trouble wrong fail fails failed lose loses lost stuck broken worse worst risk danger dangerous hurt
        hurts hard difficult tired waste wasted cannot can't mistake mistakes worry worried afraid miss late
        confused confusing
        """
    ),
)  # fmt: skip
