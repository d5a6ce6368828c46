"""Portuguese. Data only."""

from __future__ import annotations

from dearhost.languages.language import Language, glossary, words

PORTUGUESE = Language(
    code="pt",
    name="Portuguese",
    counted=("primeiro", "dois duas", "três terceiro"),
    gesture_words={
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
    glosses=glossary(
        """
        tide: maré marés; wave: onda ondas; drop: água; sea: mar oceano; beach: praia; harbour: porto cais;
        boat: barco barcos veleiro; ship: navio navios; fish: peixe peixes; crab: caranguejo caranguejos;
        shell: concha conchas; anchor: âncora; lighthouse: farol; gull: gaivota gaivotas;
        bird: pássaro pássaros ave aves; whale: baleia baleias; star: estrela estrelas; moon: lua; sun: sol;
        earth: terra mundo; sky: céu; cloud: nuvem nuvens; rain: chuva chove; thunder: trovão tempestade relâmpago;
        snow: neve; wind: vento; drop: gota gotas; fire: fogo; mountain: montanha montanhas; tree: árvore árvores;
        leaf: folha folhas; forest: floresta bosque; flower: flor flores; plant: planta plantas;
        seed: semente sementes; bee: abelha abelhas; dog: cão cães cachorro; cat: gato gatos; horse: cavalo cavalos;
        person: pessoa visitante; people: pessoas visitantes gente; family: família famílias;
        child: criança crianças; baby: bebé bebê; man: homem; woman: mulher; hand: mão mãos; eye: olho olhos;
        ear: orelha ouvido; tooth: dente dentes; heart: coração corações; brain: cérebro;
        question: pergunta perguntas; answer: resposta; warning: aviso atenção cuidado; danger: perigo perigoso;
        idea: ideia ideias; key: chave chaves; lock: cadeado fechadura; door: porta; shield: escudo;
        goal: meta objetivo objetivos; flag: bandeira; prize: prémio prêmio troféu; puzzle: enigma; scales: balança;
        money: dinheiro; price: preço preços; shop: loja lojas; basket: cesto carrinho; gift: presente presentes;
        ticket: bilhete bilhetes ingresso; wallet: carteira; bank: banco; letter: carta cartas correio;
        email: email; phone: telefone telemóvel celular; computer: computador portátil; camera: câmara câmera;
        photo: foto fotos fotografia; video: vídeo filme; microphone: microfone; headphones: auscultadores fones;
        music: música; book: livro livros; map: mapa; newspaper: jornal; school: escola;
        teacher: professor professora; lesson: lição aula; pencil: lápis; scissors: tesoura; house: casa casas;
        garden: jardim; kitchen: cozinha; hospital: hospital; doctor: médico médica doutor;
        medicine: medicamento remédio; thermometer: termómetro temperatura graus; museum: museu; car: carro carros;
        bus: autocarro ônibus; train: comboio trem; bicycle: bicicleta; aeroplane: avião voar;
        rocket: foguete foguetão; suitcase: mala malas; travel: viagem viajar férias; glasses: óculos; hat: chapéu;
        clock: relógio; time: tempo; hour: hora horas; hourglass: ampulheta; calendar: calendário data;
        day: dia dias; night: noite; week: semana semanas; year: ano anos; morning: manhã; cup: chávena xícara;
        coffee: café; tea: chá; plate: prato; food: comida; apple: maçã maçãs; carrot: cenoura; bread: pão;
        cake: bolo; bottle: garrafa garrafas; light: luz; lamp: candeeiro lâmpada lanterna; chair: cadeira;
        table: mesa; bed: cama; hammer: martelo; gear: engrenagem; bin: caixote; rubbish: lixo;
        recycle: reciclar reciclagem; bell: sino campainha; chart: gráfico; bridge: ponte; stairs: escada escadas;
        island: ilha ilhas; sand: areia; crown: coroa; work: trabalho trabalhar; team: equipa equipe;
        meeting: reunião; buy: comprar compra; sell: vender vende; pay: pagar paga; win: ganhar ganha;
        learn: aprender aprende; read: ler lê; write: escrever escreve; listen: ouvir ouve escutar;
        speak: falar fala; or: ou; not: não nunca jamais sem nenhum nenhuma; pull: puxa puxar atrai atrair;
        send: enviar envia mandar manda; give: dar dá; bring: trazer traz; then: depois então; after: após;
        before: antes; protect: proteger protege; grow: crescer cresce; rise: sobe subir aumenta;
        fall: cai cair desce descer; two: dois duas; three: três; four: quatro; five: cinco; six: seis;
        times: vezes; several: vários várias; many: muitos muitas; both: ambos ambas;
        """
    ),
    heard={
        "bell": "sino|sinos|campainha",
        "gull": "gaivota|gaivotas",
        "thunder": "trovão|trovões|trovoada|tempestade",
        "foghorn": "sirene de nevoeiro",
        "applause": "aplauso|aplausos|aplaude|aplaudem",
        "train": "comboio|comboios|trem|trens",
        "coin": "moedas",
        "camera": "fotografia|fotografias|foto|fotos",
        "knock": "batem à porta|bate à porta|bateu à porta",
        "gong": "gongo",
        "heartbeat": "batimento cardíaco|batida do coração",
        "tick": "tique taque",
        "phone": "telefone toca|toca o telefone|telefone tocou",
        "steps": "passos",
        "door": "porta fecha|porta abre|porta se fecha|porta se abre|fecha a porta|abre a porta",
        "page": "vira a página|viramos a página",
        "typing": "teclado|máquina de escrever",
        "pour": "serve o chá|serve o café|despeja",
        "cork": "champanhe|espumante",
        "drum-roll": "rufar de tambores",
        "fanfare": "fanfarra",
        "tear": "rasga|rasgam",
        "rain": "chuva|chove|chovia|choveu|chuvisco",
        "wind": "vento|ventania|rajadas",
        "sea": "ondas|rebentação",
        "fire": "fogueira|lareira",
        "stream": "riacho",
        "birds": "canto dos pássaros|pássaros cantam",
        "crickets": "grilos",
        "crowd": "multidão",
    },
    denials=words("não nunca jamais sem ninguém nada nenhum nenhuma nem silencioso silenciosa"),
    directions={
        "title": "título|na tela|no ecrã",
        "pause": "pausa|silêncio",
        "seconds": "s|seg|segundos?",
        "left": "esquerda",
        "right": "direita",
        "point-left": r"aponta (?:\w+ ){0,3}esquerda",
        "point-right": r"aponta (?:\w+ ){0,3}direita",
        "point-up": r"aponta (?:\w+ ){0,2}cima",
        "nod": "acena com a cabeça|assente",
        "shake": r"(?:abana|balança) (?:\w+ ){0,2}cabeça",
        "wave": "acena",
        "shrug": r"encolhe (?:\w+ ){0,2}ombros",
        "thumb-up": "polegar para cima",
        "thumb-down": "polegar para baixo",
        "clap": "aplaude|bate palmas",
        "laugh": "ri|rindo|a rir",
        "sigh": "suspira|suspirando",
        "lean-in": "inclina-se|se inclina",
        "think": "pensa|pensativ[oa]",
        "listen": "escuta|ouve",
        "happy": "sorri|sorrindo|sorridente",
        "excited": "entusiasmad[oa]|animad[oa]",
        "concerned": "preocupad[oa]",
        "sad": "triste",
        "angry": "zangad[oa]|furios[oa]",
        "surprised": "surpres[oa]|surpreendid[oa]",
        "walk-in": "entra|chega",
        "walk-out": "sai|vai embora",
        "sit": "senta-se|se senta",
        "stand": "levanta-se|se levanta",
        "turn-away": "vira-se|se vira",
        "look-viewer": r"olha (?:\w+ ){0,2}(?:câmera|câmara|público)",
        "close-up": "primeiro plano|plano fechado",
        "wide": "plano geral",
        "hushed": "sussurra|em voz baixa",
        "calm": "com calma|calm[oa]",
        "urgent": "grita|com urgência",
        "bright": "alegremente|alegre",
    },
)  # fmt: skip
