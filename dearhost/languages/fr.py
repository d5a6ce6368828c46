"""French. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, glossary, words
from dearhost.languages.lexicon import Lexicon

FRENCH = Language(
    code="fr",
    name="French",
    counted=("premier première", "deux deuxième", "trois troisième"),
    gesture_words={
        "greet": "bonjour bonsoir salut adieu",
        "welcome": "bienvenue bienvenus",
        "thank": "merci remercie remercions pardon désolé désolée",
        "large": "énorme énormes immense géant géante tout toute tous toutes entier entière",
        "small": "petit petite petits petites minuscule minuscules étroit étroite",
        "list": "premièrement d'abord premier première trois",
        "halt": "stop attends attendez attention prudence",
        "address": "tu toi te ton ta tes vous votre vos",
        "deny": "pas jamais rien aucun aucune non ni",
        "here": "ici voici ceci",
        "agree": "oui exactement vrai certes toujours",
        "unsure": "peut-être",
        "think": "pense penser imagine imaginez souviens demande",
        "other": "autre autres mais plutôt",
        "and": "et ou",
    },
    glosses=glossary(
        """
        tide: marée marées; wave: vague vagues; drop: eau; sea: mer océan; beach: plage; harbour: port quai;
        boat: bateau bateaux voilier barque; ship: navire; fish: poisson poissons; crab: crabe crabes;
        shell: coquillage coquillages coquille; anchor: ancre; lighthouse: phare; gull: mouette mouettes goéland;
        bird: oiseau oiseaux; whale: baleine; star: étoile étoiles; moon: lune; sun: soleil; earth: terre monde;
        sky: ciel; cloud: nuage nuages; rain: pluie pleut; thunder: tonnerre orage éclair; snow: neige; wind: vent;
        drop: goutte gouttes; fire: feu flamme; mountain: montagne montagnes; tree: arbre arbres;
        leaf: feuille feuilles; forest: forêt; flower: fleur fleurs; plant: plante plantes; seed: graine graines;
        bee: abeille abeilles; dog: chien chiens; cat: chat chats; horse: cheval chevaux;
        person: personne visiteur visiteuse; people: gens visiteurs personnes; family: famille familles;
        child: enfant enfants; baby: bébé; man: homme; woman: femme; hand: main mains; eye: œil yeux;
        ear: oreille oreilles; tooth: dent dents; heart: cœur cœurs; brain: cerveau; question: question questions;
        answer: réponse; warning: attention avertissement; danger: danger dangereux; idea: idée idées;
        key: clé clef clés; lock: serrure cadenas; door: porte; shield: bouclier; goal: objectif objectifs but;
        flag: drapeau; prize: trophée coupe; puzzle: énigme puzzle; scales: balance; money: argent; price: prix;
        shop: magasin boutique; basket: panier; gift: cadeau cadeaux; ticket: billet billets; wallet: portefeuille;
        bank: banque; letter: lettre lettres courrier; email: courriel; phone: téléphone portable;
        computer: ordinateur; camera: appareil caméra; photo: photo photos photographie; video: vidéo film;
        microphone: micro microphone; headphones: casque écouteurs; music: musique; book: livre livres;
        map: carte plan; newspaper: journal; school: école; teacher: professeur maître maîtresse;
        lesson: leçon cours; pencil: crayon; scissors: ciseaux; house: maison maisons; garden: jardin;
        kitchen: cuisine; hospital: hôpital; doctor: médecin docteur; medicine: médicament médicaments;
        thermometer: thermomètre température degrés; museum: musée; car: voiture voitures; bus: bus autobus;
        train: train trains; bicycle: vélo bicyclette; aeroplane: avion voler; rocket: fusée;
        suitcase: valise valises; travel: voyage voyager vacances; umbrella: parapluie; glasses: lunettes;
        hat: chapeau; clock: horloge montre pendule; time: temps; hour: heure heures; hourglass: sablier;
        calendar: calendrier date; day: jour jours journée; night: nuit; week: semaine semaines; year: an ans année;
        morning: matin; cup: tasse; coffee: café; tea: thé; plate: assiette; food: nourriture repas;
        apple: pomme pommes; carrot: carotte; bread: pain; cake: gâteau; bottle: bouteille bouteilles;
        light: lumière; lamp: lampe lanterne; chair: chaise fauteuil; table: table; bed: lit; hammer: marteau;
        gear: engrenage; bin: poubelle corbeille; rubbish: déchets ordures; recycle: recycler recyclage;
        bell: cloche sonnette; chart: graphique courbe; bridge: pont; stairs: escalier marches; island: île îles;
        sand: sable; crown: couronne; work: travail travailler; team: équipe; meeting: réunion; buy: acheter achète;
        sell: vendre vend; pay: payer paie; win: gagner gagne; learn: apprendre apprend; read: lire lit;
        write: écrire écrit; listen: écouter écoute; speak: parler parle; or: ou; not: pas jamais sans aucun aucune;
        pull: tire tirer attire attirer; send: envoyer envoie; give: donner donne; bring: apporter apporte;
        then: puis ensuite; after: après; before: avant; protect: protéger protège; grow: grandir grandit croître;
        rise: monte monter augmente; fall: tombe tomber baisse; two: deux; three: trois; four: quatre; five: cinq;
        six: six; times: fois; several: plusieurs; many: beaucoup;
        """
    ),
    heard={
        "bell": "cloche|cloches",
        "gull": "mouette|mouettes|goéland|goélands",
        "thunder": "tonnerre|orage|orages",
        "foghorn": "corne de brume",
        "applause": "applaudissements|applaudit|applaudissent",
        "train": "train passe|train arrive|trains",
        "coin": "pièces de monnaie",
        "camera": "photo|photos|photographie",
        "knock": "frappe à la porte|frappent à la porte|toque à la porte",
        "gong": "gong",
        "heartbeat": "battement de cœur|battements de cœur",
        "tick": "tic tac",
        "phone": "téléphone sonne|téléphone a sonné",
        "steps": "bruits de pas|bruit de pas",
        "door": "porte se ferme|porte se referme|porte s'ouvre|porte claque|ferme la porte|ouvre la porte",
        "page": "tourne la page|tournons la page|tourner la page",
        "typing": "clavier|machine à écrire",
        "pour": "verse|versent",
        "cork": "champagne",
        "drum-roll": "roulement de tambour",
        "fanfare": "fanfare",
        "tear": "déchire|déchirent",
        "rain": "pluie|pleut|pleuvait|bruine",
        "wind": "vent|rafales|bourrasques",
        "sea": "vagues|ressac",
        "fire": "feu de camp|cheminée",
        "stream": "ruisseau",
        "birds": "chant des oiseaux|oiseaux chantent",
        "crickets": "grillons",
        "crowd": "foule",
    },
    denials=words("ne pas jamais sans personne rien aucun aucune ni silencieux silencieuse"),
    directions={
        "title": "titre|à l[’']écran",
        "pause": "pause|silence|un temps",
        "seconds": "s|sec|secondes?",
        "left": "gauche",
        "right": "droite",
        "point-left": r"(?:montre|désigne|pointe) (?:\w+ ){0,3}gauche",
        "point-right": r"(?:montre|désigne|pointe) (?:\w+ ){0,3}droite",
        "point-up": r"(?:montre|désigne|pointe) (?:\w+ ){0,2}(?:haut|ciel)",
        "nod": r"hoche (?:\w+ ){0,2}tête|acquiesce|opine",
        "shake": r"secoue (?:\w+ ){0,2}tête",
        "wave": r"fait (?:un )?signe|salue|agite (?:\w+ ){0,2}main",
        "shrug": r"hausse (?:\w+ ){0,2}épaules",
        "thumb-up": "pouce (?:levé|en l[’']air)",
        "thumb-down": "pouce (?:baissé|vers le bas)",
        "clap": "applaudit",
        "laugh": "rit|en riant",
        "sigh": "soupire|en soupirant",
        "lean-in": "se penche",
        "think": "réfléchit|songeuse?|pensive|pensif",
        "listen": "écoute",
        "happy": "sourit|souriante?|en souriant",
        "excited": "enthousiaste|ravie?",
        "concerned": "inquiet|inquiète|soucieu(?:x|se)",
        "sad": "triste|tristement",
        "angry": "en colère|fâchée?|furieu(?:x|se)",
        "surprised": "surprise?|étonnée?",
        "walk-in": "entre|arrive",
        "walk-out": "sort|s[’']en va|quitte",
        "walk-left": "va (?:à|vers la) gauche",
        "walk-right": "va (?:à|vers la) droite",
        "walk-middle": "va au (?:milieu|centre)",
        "sit": "s[’']assoit|s[’']assied",
        "stand": "se lève",
        "turn-away": "se détourne|tourne le dos",
        "look-viewer": r"regarde (?:\w+ ){0,2}(?:caméra|spectateurs?|public)",
        "close-up": "gros plan",
        "wide": "plan (?:large|d[’']ensemble)",
        "hushed": "chuchote|murmure|à voix basse",
        "calm": "calme|calmement",
        "urgent": "crie|avec urgence|pressante?",
        "bright": "gaiement|joyeusement|joyeu(?:x|se)",
    },
    lexicon=Lexicon(
        language="fr",
        point="virgule",
        minus="moins",
        percent="pour cent",
        range_word="à",
        decimal_comma=True,
        currencies={
            "$": ("dollar", "dollars", ""), "€": ("euro", "euros", ""), "£": ("livre", "livres", ""),
            "¥": ("yen", "yens", ""),
        },
        units={
            "km": "kilomètres", "m": "mètres", "cm": "centimètres", "mm": "millimètres", "kg": "kilogrammes",
            "g": "grammes", "l": "litres", "ml": "millilitres", "h": "heures", "min": "minutes", "s": "secondes",
            "km/h": "kilomètres par heure", "°c": "degrés celsius", "°": "degrés", "m²": "mètres carrés",
            "%": "pour cent", "go": "gigaoctets", "mo": "mégaoctets",
        },
        magnitudes={"k": "mille", "M": "millions"},
        abbreviations={
            "m.": "monsieur", "mme": "madame", "mlle": "mademoiselle", "dr": "docteur", "etc.": "et cetera",
            "p.ex.": "par exemple", "n°": "numéro", "&": "et", "st": "saint", "ste": "sainte",
        },
        symbols={"+": "plus", "=": "égale", "@": "arobase", "#": "dièse", "/": "barre oblique", "%": "pour cent",
                 "&": "et", "°": "degrés", ".": "point", "_": "tiret bas", "×": "fois",
                 "²": "au carré", "³": "au cube"},
        months=(
            "janvier", "février", "mars", "avril", "mai", "juin",
            "juillet", "août", "septembre", "octobre", "novembre", "décembre",
        ),
        fractions={"½": "un demi", "¼": "un quart", "¾": "trois quarts"},
        ordinal=r"(\d+)(?:er|re|e|ème|nd|nde)",
        oclock="heures",
    ),
    weak_ends=words(
        """
        le les des du et à
        """
    ),
)  # fmt: skip
