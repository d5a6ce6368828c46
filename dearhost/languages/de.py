"""German. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, glossary, words
from dearhost.languages.lexicon import Lexicon

GERMAN = Language(
    code="de",
    name="German",
    counted=("eins erstens", "zwei zweitens", "drei drittens"),
    gesture_words={
        "greet": "hallo tschüss servus moin ade",
        "welcome": "willkommen",
        "thank": "danke dank danken dankbar entschuldigung verzeihung",
        "large": "riesig riesige riesiger riesiges riesigen gewaltig gewaltige gewaltigen enorm enorme alles alle "
        "ganze ganzen ganzer ganzes jeder",
        "small": "klein kleine kleiner kleines kleinen winzig winzige winziger winziges winzigen schmal wenig",
        "list": "erstens zuerst drei",
        "halt": "halt stopp warte wartet warten vorsicht achtung",
        "address": "du dich dir dein deine deinen deinem deiner euch euer eure euren Sie Ihnen Ihr Ihre Ihren Ihrem",
        "deny": "nicht nie niemals niemand nichts kein keine keinen keinem keiner nein weder",
        "here": "hier dieser diese dieses",
        "agree": "ja genau richtig stimmt wahr immer natürlich",
        "unsure": "vielleicht irgendwie womöglich möglicherweise",
        "think": "denke denken denkt überlegen erinnern vorstellen",
        "other": "andere anderen anderer anderes stattdessen aber dagegen sondern",
        "and": "und oder",
    },
    glosses=glossary(
        """
        tide: Tide Gezeiten Flut Ebbe Hochwasser Niedrigwasser; wave: Welle Wellen; drop: Wasser;
        sea: Meer See Ozean; beach: Strand; harbour: Hafen; boat: Boot Boote Segelboot Kahn; ship: Schiff Schiffe;
        fish: Fisch Fische; crab: Krebs Krabbe Krabben; shell: Muschel Muscheln; starfish: Seestern; anchor: Anker;
        lighthouse: Leuchtturm; gull: Möwe Möwen; bird: Vogel Vögel; whale: Wal Wale; star: Stern Sterne;
        moon: Mond; sun: Sonne; earth: Erde Welt; sky: Himmel; cloud: Wolke Wolken; rain: Regen regnet regnen;
        thunder: Donner Gewitter Blitz; snow: Schnee schneit; wind: Wind Sturm; drop: Tropfen; fire: Feuer Flamme;
        mountain: Berg Berge Gebirge; tree: Baum Bäume; leaf: Blatt Blätter; forest: Wald; flower: Blume Blumen;
        plant: Pflanze Pflanzen; seed: Samen Keim; bee: Biene Bienen; dog: Hund Hunde; cat: Katze Katzen;
        horse: Pferd Pferde; person: Person Mensch Gast Gäste; people: Leute Menschen Besucher; family: Familie;
        child: Kind Kinder; baby: Baby; man: Mann; woman: Frau; hand: Hand Hände; eye: Auge Augen; ear: Ohr Ohren;
        tooth: Zahn Zähne; heart: Herz Herzen; brain: Gehirn; question: Frage Fragen; answer: Antwort;
        warning: Warnung Achtung Vorsicht; danger: Gefahr gefährlich; idea: Idee Ideen Einfall; key: Schlüssel;
        lock: Schloss; door: Tür; shield: Schild; goal: Ziel Ziele; flag: Fahne Flagge;
        prize: Preisträger Pokal Gewinner; puzzle: Rätsel Puzzle; scales: Waage; money: Geld; price: Preis Preise;
        shop: Laden Geschäft; basket: Korb Warenkorb; gift: Geschenk Geschenke;
        ticket: Eintrittskarte Eintrittskarten Fahrkarte Ticket Tickets; wallet: Geldbeutel Brieftasche; bank: Bank;
        letter: Brief Briefe Post; email: Mail; phone: Telefon Handy Smartphone; computer: Computer Rechner;
        camera: Kamera; photo: Foto Fotos; video: Video Film; microphone: Mikrofon; headphones: Kopfhörer;
        music: Musik; book: Buch Bücher; map: Karte Landkarte Stadtplan; newspaper: Zeitung; school: Schule;
        teacher: Lehrer Lehrerin; lesson: Unterricht Lektion; pencil: Bleistift Stift; scissors: Schere;
        house: Haus Häuser; garden: Garten; kitchen: Küche; hospital: Krankenhaus; doctor: Arzt Ärztin;
        medicine: Medizin Medikament Medikamente; thermometer: Thermometer Temperatur Grad; museum: Museum;
        car: Auto Autos Wagen; bus: Bus; train: Zug Bahn; bicycle: Fahrrad Rad; aeroplane: Flugzeug fliegen;
        rocket: Rakete; suitcase: Koffer; travel: Reise reisen Urlaub; umbrella: Regenschirm Schirm;
        glasses: Brille; hat: Hut; clock: Uhr; time: Zeit; hour: Stunde Stunden; hourglass: Sanduhr;
        calendar: Kalender Termin; day: Tag Tage; night: Nacht; week: Woche Wochen; year: Jahr Jahre;
        morning: Morgen; cup: Tasse Becher; coffee: Kaffee; tea: Tee; plate: Teller; food: Essen;
        apple: Apfel Äpfel; carrot: Möhre Karotte; bread: Brot; cake: Kuchen Torte; bottle: Flasche Flaschen;
        light: Licht; lamp: Lampe Laterne; chair: Stuhl Stühle Sessel; table: Tisch; bed: Bett; hammer: Hammer;
        gear: Zahnrad Getriebe; bin: Mülleimer Papierkorb; rubbish: Müll Abfall; recycle: recyceln Recycling;
        bell: Glocke Klingel; chart: Diagramm Kurve; bridge: Brücke; stairs: Treppe Stufen; island: Insel Inseln;
        sand: Sand; crown: Krone; work: Arbeit arbeiten; team: Team Mannschaft;
        meeting: Treffen Sitzung Besprechung; buy: kaufen kauft gekauft; sell: verkaufen verkauft;
        pay: zahlen bezahlen bezahlt; win: gewinnen gewinnt gewonnen; learn: lernen lernt gelernt;
        read: lesen liest gelesen; write: schreiben schreibt geschrieben; listen: hören zuhören hört;
        speak: sprechen spricht; or: oder; not: nicht kein keine keinen nie niemals ohne;
        pull: zieht ziehen gezogen; send: schicken schickt senden gesendet geschickt; give: geben gibt gegeben;
        bring: bringen bringt; then: dann; after: danach; before: bevor; protect: schützen schützt;
        grow: wachsen wächst; rise: steigt steigen gestiegen; fall: fällt fallen sinkt sinken; two: zwei;
        three: drei; four: vier; five: fünf; six: sechs; times: Mal mal; several: mehrere; many: viele; both: beide;
        """
    ),
    heard={
        "bell": "Glocke|Glocken",
        "gull": "Möwe|Möwen",
        "thunder": "Donner|Gewitter",
        "foghorn": "Nebelhorn|Nebelhörner",
        "applause": "Applaus|Beifall",
        "train": "Zug fährt|Eisenbahn",
        "coin": "Münzen",
        "camera": "Foto|Fotos|fotografiert",
        "knock": "klopft|klopfte",
        "gong": "Gong",
        "heartbeat": "Herzschlag",
        "tick": "tickt|tickte",
        "phone": "Telefon klingelt|Telefon klingelte|Handy klingelt",
        "steps": "Schritte",
        "door": "Tür schließt|Tür öffnet|Tür fällt|Tür geht auf|Tür geht zu|Tür schlägt",
        "page": "Seite umblättern|blättern um|blättert um",
        "typing": "tippt|Schreibmaschine|Tastatur",
        "pour": "gießt|schenkt ein|eingeschenkt",
        "cork": "Sekt|Champagner",
        "drum-roll": "Trommelwirbel",
        "fanfare": "Fanfare",
        "tear": "zerreißt|zerrissen",
        "rain": "Regen|regnet|regnete|geregnet",
        "wind": "Wind|Sturm|Böen",
        "sea": "Wellen|Brandung",
        "fire": "Lagerfeuer|Kaminfeuer",
        "stream": "Bach plätschert",
        "birds": "Vogelgesang|Vögel singen|Vögel zwitschern",
        "crickets": "Grillen zirpen",
        "crowd": "Menschenmenge",
    },
    denials=words("nicht kein keine keinen keiner keinem nie niemals ohne niemand nichts still verstummt weder"),
    directions={
        "title": "Titel|Einblendung|Bauchbinde",
        "pause": "Pause|Stille|Atempause",
        "seconds": "s|Sek|Sekunden?",
        "left": "links|linken?",
        "right": "rechts|rechten?",
        "point-left": r"zeigt (?:\w+ ){0,3}links",
        "point-right": r"zeigt (?:\w+ ){0,3}rechts",
        "point-up": r"zeigt (?:\w+ ){0,2}(?:oben|hinauf|hoch)",
        "nod": "nickt|nicken",
        "shake": r"schüttelt (?:\w+ ){0,2}Kopf",
        "wave": "winkt|winken",
        "shrug": r"zuckt (?:\w+ ){0,2}Schultern",
        "thumb-up": "Daumen hoch",
        "thumb-down": "Daumen runter",
        "clap": "klatscht|applaudiert",
        "laugh": "lacht|lachend",
        "sigh": "seufzt|seufzend",
        "lean-in": "(?:lehnt|beugt) sich vor",
        "think": "überlegt|denkt nach|nachdenklich",
        "listen": "hört zu|lauscht",
        "happy": "lächelt|lächelnd|strahlt",
        "excited": "begeistert|aufgeregt",
        "concerned": "besorgt|ängstlich",
        "sad": "traurig",
        "angry": "wütend|zornig|verärgert",
        "surprised": "überrascht|erstaunt|staunt",
        "walk-in": r"tritt (?:\w+ ){0,3}(?:ein|auf)|kommt (?:\w+ ){0,3}herein|betritt",
        "walk-out": r"geht (?:\w+ ){0,2}(?:ab|hinaus)|tritt ab|verlässt",
        "walk-left": "geht nach links",
        "walk-right": "geht nach rechts",
        "walk-middle": "geht (?:in die|zur) Mitte",
        "sit": "setzt sich",
        "stand": "steht auf|erhebt sich",
        "turn-away": "(?:wendet|dreht) sich (?:ab|weg)",
        "look-viewer": r"(?:blickt|schaut|sieht) (?:\w+ ){0,2}(?:Kamera|Zuschauer\w*)",
        "close-up": "Nahaufnahme|Großaufnahme",
        "wide": "Totale|Weitwinkel",
        "hushed": "flüstert|flüsternd|leise",
        "calm": "ruhig",
        "urgent": "drängend|eindringlich|ruft",
        "bright": "fröhlich|heiter",
    },
    lexicon=Lexicon(
        language="de",
        point="Komma",
        minus="minus",
        percent="Prozent",
        range_word="bis",
        decimal_comma=True,
        currencies={
            "$": ("Dollar", "Dollar", ""), "€": ("Euro", "Euro", ""), "£": ("Pfund", "Pfund", ""),
            "¥": ("Yen", "Yen", ""),
        },
        units={
            "km": "Kilometer", "m": "Meter", "cm": "Zentimeter", "mm": "Millimeter", "kg": "Kilogramm", "g": "Gramm",
            "l": "Liter", "ml": "Milliliter", "h": "Stunden", "min": "Minuten", "s": "Sekunden", "std": "Stunden",
            "km/h": "Kilometer pro Stunde", "°c": "Grad Celsius", "°": "Grad", "m²": "Quadratmeter", "%": "Prozent",
            "gb": "Gigabyte", "mb": "Megabyte", "uhr": "Uhr",
        },
        magnitudes={"k": "tausend", "M": "Millionen"},
        abbreviations={
            "dr.": "Doktor", "prof.": "Professor", "hr.": "Herr", "fr.": "Frau", "z.b.": "zum Beispiel",
            "d.h.": "das heißt", "usw.": "und so weiter", "bzw.": "beziehungsweise", "ca.": "circa", "nr.": "Nummer",
            "str.": "Straße", "u.a.": "unter anderem", "st.": "Sankt", "&": "und", "evtl.": "eventuell",
        },
        symbols={"+": "plus", "=": "gleich", "@": "at", "#": "Raute", "/": "Schrägstrich", "%": "Prozent",
                 "&": "und", "°": "Grad", ".": "Punkt", "_": "Unterstrich", "×": "mal",
                 "²": "Quadrat", "³": "hoch drei"},
        months=(
            "Januar", "Februar", "März", "April", "Mai", "Juni",
            "Juli", "August", "September", "Oktober", "November", "Dezember",
        ),
        fractions={"½": "ein halb", "¼": "ein Viertel", "¾": "drei Viertel"},
        ordinal=r"(\d+)\.",
        oclock="Uhr",
    ),
    weak_ends=words(
        """
        der die das ein eine und im am zu
        """
    ),
)  # fmt: skip
