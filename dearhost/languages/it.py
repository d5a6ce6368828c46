"""Italian. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, glossary, words

ITALIAN = Language(
    code="it",
    name="Italian",
    counted=("uno primo", "due secondo", "tre terzo"),
    gesture_words={
        "greet": "ciao arrivederci salve buongiorno",
        "welcome": "benvenuto benvenuta benvenuti benvenute",
        "thank": "grazie ringrazio ringraziamo scusa scusate",
        "large": "enorme enormi gigante immenso immensa tutto tutta tutti tutte intero intera",
        "small": "piccolo piccola piccoli piccole minuscolo minuscola stretto",
        "list": "primo prima innanzitutto tre",
        "halt": "alt fermo fermi aspetta aspettate attenzione",
        "address": "tu te ti tuo tua tuoi tue voi vi vostro vostra",
        "deny": "non mai nessuno nessuna niente nulla no né",
        "here": "qui ecco questo questa",
        "agree": "sì esatto esattamente vero certo sempre",
        "unsure": "forse magari chissà",
        "think": "penso pensare immagina immaginate ricordo ricordate chiedo",
        "other": "altro altra altri altre ma invece",
        "and": "e ed o",
    },
    glosses=glossary(
        """
        tide: marea maree; wave: onda onde; drop: acqua; sea: mare oceano; beach: spiaggia; harbour: porto molo;
        boat: barca barche; ship: nave navi; fish: pesce pesci; crab: granchio granchi;
        shell: conchiglia conchiglie; lighthouse: faro; gull: gabbiano gabbiani; bird: uccello uccelli;
        whale: balena balene; star: stella stelle; moon: luna; sun: sole; earth: terra mondo; sky: cielo;
        cloud: nuvola nuvole; rain: pioggia piove; thunder: tuono temporale fulmine; snow: neve nevica; wind: vento;
        drop: goccia gocce; fire: fuoco fiamma; mountain: montagna montagne; tree: albero alberi;
        leaf: foglia foglie; forest: bosco foresta; flower: fiore fiori; plant: pianta piante; seed: seme semi;
        bee: ape api; dog: cane cani; cat: gatto gatti; horse: cavallo cavalli; person: persona visitatore;
        people: gente persone visitatori; family: famiglia famiglie; child: bambino bambina bambini; baby: neonato;
        man: uomo; woman: donna; hand: mano mani; eye: occhio occhi; ear: orecchio orecchie; tooth: dente denti;
        heart: cuore cuori; brain: cervello; question: domanda domande; answer: risposta;
        warning: avviso attenzione; danger: pericolo pericoloso; idea: idea idee; key: chiave chiavi;
        lock: lucchetto serratura; door: porta; shield: scudo; goal: obiettivo obiettivi meta; flag: bandiera;
        prize: premio trofeo coppa; puzzle: rompicapo enigma; scales: bilancia; money: denaro soldi;
        price: prezzo prezzi; shop: negozio negozi; basket: cestino carrello; gift: regalo regali;
        ticket: biglietto biglietti; wallet: portafoglio; bank: banca; letter: lettera lettere posta; email: email;
        phone: telefono cellulare; computer: computer portatile; camera: fotocamera telecamera;
        photo: foto fotografia; video: video film; microphone: microfono; headphones: cuffie; music: musica;
        book: libro libri; map: mappa cartina; newspaper: giornale; school: scuola;
        teacher: maestro maestra insegnante; lesson: lezione; pencil: matita; scissors: forbici; house: casa case;
        garden: giardino; kitchen: cucina; hospital: ospedale; doctor: medico dottore dottoressa;
        medicine: medicina farmaco farmaci; thermometer: termometro temperatura gradi; museum: museo;
        car: macchina automobile auto; bus: autobus; train: treno treni; bicycle: bicicletta bici;
        aeroplane: aereo volare; rocket: razzo; suitcase: valigia valigie; travel: viaggio viaggiare vacanza;
        umbrella: ombrello; glasses: occhiali; hat: cappello; clock: orologio; time: tempo; hour: ora ore;
        hourglass: clessidra; calendar: calendario data; day: giorno giorni; night: notte;
        week: settimana settimane; year: anno anni; morning: mattina; cup: tazza; coffee: caffè; tea: tè;
        plate: piatto; food: cibo; apple: mela mele; carrot: carota; bread: pane; cake: torta;
        bottle: bottiglia bottiglie; light: luce; lamp: lampada lanterna; chair: sedia poltrona; table: tavolo;
        bed: letto; hammer: martello; gear: ingranaggio; bin: pattumiera; rubbish: rifiuti spazzatura;
        recycle: riciclare riciclo; bell: campana campanello; chart: grafico; bridge: ponte; stairs: scala scale;
        island: isola isole; sand: sabbia; crown: corona; work: lavoro lavorare; team: squadra; meeting: riunione;
        buy: comprare compra; sell: vendere vende; pay: pagare paga; win: vincere vince; learn: imparare impara;
        read: leggere legge; write: scrivere scrive; listen: ascoltare ascolta; speak: parlare parla; or: o oppure;
        not: non mai senza nessun nessuna; pull: tira tirare attira attirare; send: inviare invia mandare manda;
        give: dare dà; bring: portare; then: poi quindi; after: dopo; before: prima; protect: proteggere protegge;
        grow: crescere cresce; rise: sale salire aumenta; fall: cade cadere scende scendere; two: due; three: tre;
        four: quattro; five: cinque; times: volte; several: diversi diverse; many: molti molte; both: entrambi entrambe;
        """
    ),
    heard={
        "bell": "campana|campane|campanella",
        "gull": "gabbiano|gabbiani",
        "thunder": "tuono|tuoni|temporale|temporali",
        "foghorn": "sirena da nebbia",
        "applause": "applauso|applausi|applaude|applaudono",
        "train": "treno|treni",
        "coin": "monete",
        "camera": "fotografia|fotografie|foto",
        "knock": "bussa|bussano|bussò",
        "gong": "gong",
        "heartbeat": "battito del cuore|battito",
        "tick": "ticchettio",
        "phone": "squilla il telefono|telefono squilla|squillò il telefono",
        "steps": "passi",
        "door": "porta si chiude|porta si apre|chiude la porta|apre la porta|si chiude la porta|si apre la porta",
        "page": "volta pagina|gira pagina|voltiamo pagina",
        "typing": "tastiera|macchina da scrivere",
        "pour": "versa|versano",
        "cork": "champagne|spumante",
        "drum-roll": "rullo di tamburi",
        "fanfare": "fanfara",
        "tear": "strappa|strappano",
        "rain": "pioggia|piove|pioveva|pioviggina",
        "wind": "vento|raffiche|bufera",
        "sea": "onde|risacca",
        "fire": "falò|camino acceso",
        "stream": "ruscello",
        "birds": "canto degli uccelli|uccelli cantano",
        "crickets": "grilli",
        "crowd": "folla",
    },
    denials=words("non mai senza nessuno niente nulla nessuna né neanche silenzioso silenziosa"),
    directions={
        "title": "titolo|in sovrimpressione|sullo schermo",
        "pause": "pausa|silenzio",
        "seconds": "s|sec|secondi|secondo",
        "left": "sinistra",
        "right": "destra",
        "point-left": r"(?:indica|mostra) (?:\w+ ){0,3}sinistra",
        "point-right": r"(?:indica|mostra) (?:\w+ ){0,3}destra",
        "point-up": r"indica (?:\w+ ){0,2}alto",
        "nod": "annuisce",
        "shake": r"scuote (?:\w+ ){0,2}(?:testa|capo)",
        "wave": "saluta",
        "shrug": r"(?:fa|alza) (?:\w+ ){0,2}spall(?:e|ucce)",
        "thumb-up": "pollice (?:in su|alzato)",
        "thumb-down": "pollice (?:in giù|verso)",
        "clap": "applaude",
        "laugh": "ride|ridendo",
        "sigh": "sospira|sospirando",
        "lean-in": "si sporge|si china",
        "think": "pensa|riflette|pensieros[oa]",
        "listen": "ascolta",
        "happy": "sorride|sorridendo|sorridente",
        "excited": "entusiasta|emozionat[oa]",
        "concerned": "preoccupat[oa]",
        "sad": "triste",
        "angry": "arrabbiat[oa]|furios[oa]",
        "surprised": "sorpres[oa]|stupit[oa]",
        "walk-in": "entra|arriva",
        "walk-out": "esce|se ne va",
        "walk-left": "va (?:a|verso) sinistra",
        "walk-right": "va (?:a|verso) destra",
        "walk-middle": "va al centro",
        "sit": "si siede",
        "stand": "si alza",
        "turn-away": "si volta|si gira",
        "look-viewer": r"guarda (?:\w+ ){0,2}(?:camera|pubblico|spettator\w+)",
        "close-up": "primo piano",
        "wide": "campo lungo|totale",
        "hushed": "sussurra|sottovoce|sussurrando",
        "calm": "con calma|calm[oa]",
        "urgent": "grida|con urgenza",
        "bright": "allegramente|allegr[oa]",
    },
)  # fmt: skip
