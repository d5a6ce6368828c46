"""The words that ask for a gesture, language by language.

Lists are known in these languages too, questions in every one. Common practice of speakers' handbooks, no source.
A word ``*x`` is any word that ends in x. A word with a capital letter counts only written so, and not where a sentence
begins: a German "Sie" addresses, "sie" does not.
"""

from __future__ import annotations

from collections.abc import Mapping

_WORDS: Mapping[str, Mapping[str, str]] = {
    "en": {
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
    "de": {
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
    "es": {
        "greet": "hola adiós",
        "welcome": "bienvenido bienvenida bienvenidos bienvenidas",
        "thank": "gracias agradezco perdón",
        "large": "enorme enormes gigante inmenso inmensa todo toda todos todas entero entera",
        "small": "pequeño pequeña pequeños pequeñas diminuto diminuta estrecho",
        "list": "primero primera tres",
        "halt": "espera esperen cuidado",
        "address": "tú ti tu tus usted ustedes vosotros os",
        "deny": "no nunca jamás nadie nada ningún ninguno ninguna tampoco",
        "here": "aquí este esta esto",
        "agree": "sí exacto exactamente cierto verdad siempre claro",
        "unsure": "quizás quizá acaso",
        "think": "pienso pensar imagina imaginen recuerda recuerdo pregunto",
        "other": "otro otra otros otras pero sino",
        "and": "y e o u",
    },
    "fr": {
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
    "it": {
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
    "nl": {
        "greet": "hallo hoi doei",
        "welcome": "welkom",
        "thank": "dank bedankt dankbaar sorry",
        "large": "enorm enorme reusachtig reusachtige gigantisch alles iedereen hele",
        "small": "klein kleine piepklein smal smalle",
        "list": "eerst eerste drie",
        "halt": "stop wacht voorzichtig",
        "address": "jij je jou jouw jullie u uw",
        "deny": "niet nooit niemand niets geen nee",
        "here": "hier dit deze",
        "agree": "ja precies juist altijd inderdaad",
        "unsure": "misschien wellicht",
        "think": "denk denken herinner voorstellen",
        "other": "andere anders maar daarentegen",
        "and": "en of",
    },
    "pl": {
        "greet": "cześć witam pa",
        "welcome": "witajcie zapraszam",
        "thank": "dziękuję dziękujemy dzięki przepraszam",
        "large": "ogromny ogromna ogromne wielki wielka wielkie wszystko wszyscy cały cała całe",
        "small": "mały mała małe malutki malutka maleńki wąski",
        "list": "pierwszy najpierw trzy",
        "halt": "stop czekaj czekajcie uwaga ostrożnie",
        "address": "ty ciebie cię tobie twój twoja twoje was wam wasz pan pani państwo",
        "deny": "nie nigdy nikt nic żaden żadna żadne",
        "here": "tutaj",
        "agree": "tak dokładnie prawda zawsze oczywiście",
        "unsure": "chyba",
        "think": "myślę myśleć pamiętam wyobraź",
        "other": "inny inna inne ale natomiast",
        "and": "i oraz lub albo",
    },
    "pt": {
        "greet": "olá oi adeus tchau",
        "welcome": "bem-vindo bem-vinda bem-vindos bem-vindas",
        "thank": "obrigado obrigada agradeço desculpe desculpa",
        "large": "enorme enormes gigante imenso imensa tudo todo toda todos todas inteiro inteira",
        "small": "pequeno pequena pequenos pequenas minúsculo minúscula estreito",
        "list": "primeiro primeira três",
        "halt": "pare espera espere cuidado atenção",
        "address": "você vocês tu ti teu tua",
        "deny": "não nunca jamais ninguém nada nenhum nenhuma",
        "here": "aqui este esta isto",
        "agree": "sim exatamente certo verdade sempre claro",
        "unsure": "talvez quiçá",
        "think": "penso pensar imagine imaginem lembro",
        "other": "outro outra outros outras mas porém",
        "and": "e ou",
    },
    "ru": {
        "greet": "привет здравствуйте пока",
        "welcome": "добро",
        "thank": "спасибо благодарю благодарим извините простите",
        "large": "огромный огромная огромное огромные весь вся всё все целый целая",
        "small": "маленький маленькая маленькое маленькие крошечный крошечная узкий",
        "list": "первый во-первых сначала три",
        "halt": "стоп стой стойте подождите осторожно внимание",
        "address": "ты тебя тебе твой твоя вы вас вам ваш ваша ваши",
        "deny": "не нет никогда никто ничего никакой никакая",
        "here": "здесь тут этот эта",
        "agree": "да точно верно правда всегда конечно",
        "unsure": "возможно наверное",
        "think": "думаю думать помню представьте",
        "other": "другой другая другое другие но зато",
        "and": "и или",
    },
    "sv": {
        "greet": "hej hejdå",
        "welcome": "välkommen välkomna välkommet",
        "thank": "tack tackar förlåt",
        "large": "enorm enorma jättestor allt alla hela",
        "small": "liten litet lilla små pytteliten smal",
        "list": "först första tre",
        "halt": "stopp vänta akta försiktigt",
        "address": "du dig din ditt dina ni er ert era",
        "deny": "inte aldrig ingen inget inga ingenting nej",
        "here": "här detta denna",
        "agree": "ja precis rätt sant alltid",
        "unsure": "kanske",
        "think": "tror tänker minns undrar",
        "other": "andra annan men istället",
        "and": "och eller",
    },
}  # fmt: skip

_IDEAS: Mapping[str, Mapping[str, str]] = {
    language: {word: idea for idea, words in ideas.items() for word in words.split()}
    for language, ideas in _WORDS.items()
}
_ENDINGS: Mapping[str, tuple[tuple[str, str], ...]] = {
    language: tuple((word[1:], idea) for word, idea in words.items() if word[0] == "*")
    for language, words in _IDEAS.items()
}


def idea_of(word: str, language: str, *, begins: bool) -> str:
    """What a word says that a gesture could say too, such as "deny", in a language such as "de-AT"; "" for nothing.

    ``begins``: it is the first of its sentence. What comes after an apostrophe is a word as well ("l'autre").
    """
    main = language.split("-")[0].lower()
    ideas = _IDEAS.get(main)
    if ideas is None:
        return ""
    plain = word.replace("’", "'")
    if not begins and plain in ideas:
        return ideas[plain]
    for form in (plain.lower(), plain.lower().rpartition("'")[2]):
        if form in ideas:
            return ideas[form]
    return next((idea for ending, idea in _ENDINGS[main] if plain.lower().endswith(ending)), "")
