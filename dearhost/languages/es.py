"""Spanish. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, glossary, words
from dearhost.languages.lexicon import Lexicon

SPANISH = Language(
    code="es",
    name="Spanish",
    counted=("uno primero", "dos segundo", "tres tercero"),
    gesture_words={
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
    glosses=glossary(
        """
        tide: marea mareas pleamar bajamar; wave: ola olas; drop: agua; sea: mar océano; beach: playa playas;
        harbour: puerto muelle; boat: barco barcos barca velero bote; ship: buque nave; fish: pez peces pescado;
        crab: cangrejo cangrejos; shell: concha conchas caracola; anchor: ancla; lighthouse: faro;
        gull: gaviota gaviotas; bird: pájaro pájaros ave aves; whale: ballena ballenas; star: estrella estrellas;
        moon: luna; sun: sol; earth: tierra mundo; sky: cielo; cloud: nube nubes; rain: lluvia llueve llover;
        thunder: trueno tormenta rayo; snow: nieve nieva; wind: viento; drop: gota gotas; fire: fuego llama;
        mountain: montaña montañas; tree: árbol árboles; leaf: hoja hojas; forest: bosque; flower: flor flores;
        plant: planta plantas; seed: semilla semillas; bee: abeja abejas; dog: perro perros; cat: gato gatos;
        horse: caballo caballos; person: persona visitante; people: gente personas visitantes;
        family: familia familias; child: niño niña niños; baby: bebé; man: hombre; woman: mujer; hand: mano manos;
        eye: ojo ojos; ear: oreja oído; tooth: diente dientes; heart: corazón corazones; brain: cerebro;
        question: pregunta preguntas; answer: respuesta; warning: aviso advertencia atención cuidado;
        danger: peligro peligroso; idea: idea ideas; key: llave llaves clave; lock: candado cerradura; door: puerta;
        shield: escudo; goal: meta objetivo objetivos; flag: bandera; prize: premio trofeo;
        puzzle: rompecabezas acertijo; scales: balanza báscula; money: dinero; price: precio precios;
        shop: tienda tiendas; basket: cesta carrito; gift: regalo regalos;
        ticket: entrada entradas billete billetes; wallet: cartera monedero; bank: banco;
        letter: carta cartas correo; email: email; phone: teléfono móvil; computer: ordenador computadora portátil;
        camera: cámara; photo: foto fotos fotografía; video: vídeo video película; microphone: micrófono;
        headphones: auriculares; music: música; book: libro libros; map: mapa plano; newspaper: periódico;
        school: escuela colegio; teacher: maestro maestra profesor profesora; lesson: lección clase; pencil: lápiz;
        scissors: tijeras; house: casa casas; garden: jardín; kitchen: cocina; hospital: hospital;
        doctor: médico médica doctor; medicine: medicina medicamento; thermometer: termómetro temperatura grados;
        museum: museo; car: coche coches auto; bus: autobús; train: tren trenes; bicycle: bicicleta bici;
        aeroplane: avión volar; rocket: cohete; suitcase: maleta maletas; travel: viaje viajar vacaciones;
        umbrella: paraguas; glasses: gafas; hat: sombrero; clock: reloj; time: tiempo; hour: hora horas;
        calendar: calendario fecha; day: día días; night: noche; week: semana semanas; year: año años;
        morning: mañana; cup: taza; coffee: café; tea: té; plate: plato; food: comida; apple: manzana manzanas;
        carrot: zanahoria; bread: pan; cake: pastel tarta; bottle: botella botellas; light: luz;
        lamp: lámpara farol; chair: silla sillón; table: mesa; bed: cama; hammer: martillo; gear: engranaje;
        bin: papelera; rubbish: basura; recycle: reciclar reciclaje; bell: campana timbre; chart: gráfico;
        bridge: puente; stairs: escalera escaleras; island: isla islas; sand: arena; crown: corona;
        work: trabajo trabajar; team: equipo; meeting: reunión; buy: comprar compra; sell: vender vende;
        pay: pagar paga; win: ganar gana; learn: aprender aprende; read: leer lee; write: escribir escribe;
        listen: escuchar escucha; speak: hablar habla; or: o; not: no nunca jamás sin ningún ninguna;
        pull: tira tirar atrae atraer; send: enviar envía mandar manda; give: dar da; bring: traer trae;
        then: luego entonces; after: después; before: antes; protect: proteger protege; grow: crecer crece;
        rise: sube subir aumenta; fall: cae caer baja bajar; two: dos; three: tres; four: cuatro; five: cinco;
        six: seis; times: veces; several: varios varias; many: muchos muchas; both: ambos ambas;
        """
    ),
    heard={
        "bell": "campana|campanas",
        "gull": "gaviota|gaviotas",
        "thunder": "trueno|truenos|tormenta|tormentas",
        "foghorn": "sirena de niebla",
        "applause": "aplauso|aplausos|aplauden|aplaudió",
        "train": "tren|trenes",
        "coin": "monedas",
        "camera": "fotografía|fotografías|foto|fotos",
        "knock": "llaman a la puerta|llama a la puerta|llamó a la puerta",
        "gong": "gong",
        "heartbeat": "latido|latidos",
        "tick": "tictac",
        "phone": "suena el teléfono|teléfono suena|sonó el teléfono",
        "steps": "pasos",
        "door": "puerta se cierra|puerta se abre|cierra la puerta|abre la puerta|se cierra la puerta|se abre la puerta",
        "page": "pasa la página|pasamos la página|pasó la página",
        "typing": "teclea|teclado|máquina de escribir",
        "pour": "vierte|vierten|sirve el té|sirve el café",
        "cork": "champán|cava",
        "drum-roll": "redoble",
        "fanfare": "fanfarria",
        "tear": "rasga|rompe el papel",
        "rain": "lluvia|llueve|llovía|llovió|lloviendo|llovizna",
        "wind": "viento|vendaval|ráfagas",
        "sea": "olas|oleaje",
        "fire": "hoguera|chimenea",
        "stream": "arroyo",
        "birds": "canto de los pájaros|pájaros cantan|cantan los pájaros",
        "crickets": "grillos",
        "crowd": "multitud|muchedumbre",
    },
    denials=words("no nunca jamás sin nadie nada ningún ninguna tampoco ni silencioso silenciosa"),
    directions={
        "title": "título|rótulo|en pantalla",
        "pause": "pausa|silencio",
        "seconds": "s|seg|segundos?",
        "left": "izquierda",
        "right": "derecha",
        "point-left": r"(?:señala|apunta) (?:\w+ ){0,3}izquierda",
        "point-right": r"(?:señala|apunta) (?:\w+ ){0,3}derecha",
        "point-up": r"(?:señala|apunta) (?:\w+ ){0,2}arriba",
        "nod": "asiente",
        "shake": r"(?:niega|sacude) (?:\w+ ){0,2}cabeza",
        "wave": "saluda",
        "shrug": "(?:se )?encoge de hombros",
        "thumb-up": "pulgar arriba",
        "thumb-down": "pulgar abajo",
        "clap": "aplaude",
        "laugh": "ríe|se ríe|riendo",
        "sigh": "suspira|suspirando",
        "lean-in": "se inclina",
        "think": "piensa|pensativ[oa]|reflexiona",
        "listen": "escucha",
        "happy": "sonríe|sonriendo|sonriente",
        "excited": "entusiasmad[oa]|emocionad[oa]",
        "concerned": "preocupad[oa]|inquiet[oa]",
        "sad": "triste",
        "angry": "enfadad[oa]|enojad[oa]|furios[oa]",
        "surprised": "sorprendid[oa]",
        "walk-in": "entra|llega",
        "walk-out": "sale|se va|se marcha",
        "walk-left": "va (?:a|hacia) la izquierda",
        "walk-right": "va (?:a|hacia) la derecha",
        "walk-middle": "va (?:al|hacia el) centro",
        "sit": "se sienta",
        "stand": "se levanta|se pone de pie",
        "turn-away": "se da la vuelta|se aparta",
        "look-viewer": r"mira (?:\w+ ){0,2}(?:cámara|espectador\w*|público)",
        "close-up": "primer plano",
        "wide": "plano general",
        "hushed": "susurra|en voz baja|susurrando",
        "calm": "con calma|tranquil[oa]",
        "urgent": "grita|con urgencia",
        "bright": "alegremente|alegre",
    },
    lexicon=Lexicon(
        language="es",
        point="coma",
        minus="menos",
        percent="por ciento",
        range_word="a",
        decimal_comma=True,
        currencies={
            "$": ("dólar", "dólares", ""), "€": ("euro", "euros", ""), "£": ("libra", "libras", ""),
            "¥": ("yen", "yenes", ""),
        },
        units={
            "km": "kilómetros", "m": "metros", "cm": "centímetros", "mm": "milímetros", "kg": "kilogramos",
            "g": "gramos", "l": "litros", "ml": "mililitros", "h": "horas", "min": "minutos", "s": "segundos",
            "km/h": "kilómetros por hora", "°c": "grados celsius", "°": "grados", "m²": "metros cuadrados",
            "%": "por ciento", "gb": "gigabytes", "mb": "megabytes",
        },
        magnitudes={"k": "mil", "M": "millones"},
        abbreviations={
            "sr.": "señor", "sra.": "señora", "dr.": "doctor", "dra.": "doctora", "ud.": "usted", "uds.": "ustedes",
            "etc.": "etcétera", "p.ej.": "por ejemplo", "núm.": "número", "pág.": "página", "&": "y",
            "ee.uu.": "Estados Unidos",
        },
        symbols={"+": "más", "=": "igual a", "@": "arroba", "#": "almohadilla", "/": "barra", "%": "por ciento",
                 "&": "y", "°": "grados", ".": "punto", "_": "guion bajo", "×": "por",
                 "²": "al cuadrado", "³": "al cubo"},
        months=(
            "enero", "febrero", "marzo", "abril", "mayo", "junio",
            "julio", "agosto", "septiembre", "octubre", "noviembre", "diciembre",
        ),
        fractions={"½": "medio", "¼": "un cuarto", "¾": "tres cuartos"},
        ordinal=r"(\d+)\.?[ºª]",
        oclock="en punto",
    ),
    weak_ends=words(
        """
        el la los las un una de del en y
        """
    ),
)  # fmt: skip
