"""Universal Declaration of Human Rights (1948) in three languages, from memory: sentences of articles 1, 3 to 6, 9, 13
to 17, 19, 20, 23, 24, 26 and 27."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

RIGHTS: Mapping[str, Sequence[str]] = {
    "es": (
        "Todos los seres humanos nacen libres e iguales en dignidad y derechos y, dotados como están de razón y "
        "conciencia, deben comportarse fraternalmente los unos con los otros.",
        "Todo individuo tiene derecho a la vida, a la libertad y a la seguridad de su persona.",
        "Nadie estará sometido a esclavitud ni a servidumbre.",
        "Nadie será sometido a torturas ni a penas o tratos crueles, inhumanos o degradantes.",
        "Todo ser humano tiene derecho, en todas partes, al reconocimiento de su personalidad jurídica.",
        "Nadie podrá ser arbitrariamente detenido, preso ni desterrado.",
        "Toda persona tiene derecho a circular libremente y a elegir su residencia en el territorio de un Estado.",
        "En caso de persecución, toda persona tiene derecho a buscar asilo, y a disfrutar de él, en cualquier país.",
        "Toda persona tiene derecho a una nacionalidad.",
        "A nadie se privará arbitrariamente de su nacionalidad ni del derecho a cambiar de nacionalidad.",
        "Sólo mediante libre y pleno consentimiento de los futuros esposos podrá contraerse el matrimonio.",
        "La familia es el elemento natural y fundamental de la sociedad y tiene derecho a la protección de la sociedad "
        "y del Estado.",
        "Toda persona tiene derecho a la propiedad, individual y colectivamente.",
        "Nadie será privado arbitrariamente de su propiedad.",
        "Todo individuo tiene derecho a la libertad de opinión y de expresión.",
        "Toda persona tiene derecho a la libertad de reunión y de asociación pacíficas.",
        "Nadie podrá ser obligado a pertenecer a una asociación.",
        "Toda persona tiene derecho, sin discriminación alguna, a igual salario por trabajo igual.",
        "Toda persona tiene derecho al descanso y al disfrute del tiempo libre.",
        "Toda persona tiene derecho a la educación.",
        "Toda persona tiene derecho a tomar parte libremente en la vida cultural de la comunidad.",
    ),
    "fr": (
        "Tous les êtres humains naissent libres et égaux en dignité et en droits.",
        "Ils sont doués de raison et de conscience et doivent agir les uns envers les autres dans un esprit de "
        "fraternité.",
        "Tout individu a droit à la vie, à la liberté et à la sûreté de sa personne.",
        "Nul ne sera tenu en esclavage ni en servitude.",
        "Nul ne sera soumis à la torture, ni à des peines ou traitements cruels, inhumains ou dégradants.",
        "Chacun a le droit à la reconnaissance en tous lieux de sa personnalité juridique.",
        "Nul ne peut être arbitrairement arrêté, détenu ou exilé.",
        "Toute personne a le droit de circuler librement et de choisir sa résidence à l'intérieur d'un État.",
        "Devant la persécution, toute personne a le droit de chercher asile et de bénéficier de l'asile en d'autres "
        "pays.",
        "Tout individu a droit à une nationalité.",
        "Nul ne peut être arbitrairement privé de sa nationalité, ni du droit de changer de nationalité.",
        "Le mariage ne peut être conclu qu'avec le libre et plein consentement des futurs époux.",
        "La famille est l'élément naturel et fondamental de la société et a droit à la protection de la société et de "
        "l'État.",
        "Toute personne, aussi bien seule qu'en collectivité, a droit à la propriété.",
        "Nul ne peut être arbitrairement privé de sa propriété.",
        "Tout individu a droit à la liberté d'opinion et d'expression.",
        "Toute personne a droit à la liberté de réunion et d'association pacifiques.",
        "Nul ne peut être obligé de faire partie d'une association.",
        "Tous ont droit, sans aucune discrimination, à un salaire égal pour un travail égal.",
        "Toute personne a droit au repos et aux loisirs.",
        "Toute personne a droit à l'éducation.",
        "Toute personne a le droit de prendre part librement à la vie culturelle de la communauté.",
    ),
    "it": (
        "Tutti gli esseri umani nascono liberi ed eguali in dignità e diritti.",
        "Essi sono dotati di ragione e di coscienza e devono agire gli uni verso gli altri in spirito di fratellanza.",
        "Ogni individuo ha diritto alla vita, alla libertà ed alla sicurezza della propria persona.",
        "Nessun individuo potrà essere tenuto in stato di schiavitù o di servitù.",
        "Nessun individuo potrà essere sottoposto a tortura o a trattamento o a punizione crudeli, inumani o "
        "degradanti.",
        "Ogni individuo ha diritto, in ogni luogo, al riconoscimento della sua personalità giuridica.",
        "Nessun individuo potrà essere arbitrariamente arrestato, detenuto o esiliato.",
        "Ogni individuo ha diritto alla libertà di movimento e di residenza entro i confini di ogni Stato.",
        "Ogni individuo ha il diritto di cercare e di godere in altri paesi asilo dalle persecuzioni.",
        "Ogni individuo ha diritto ad una cittadinanza.",
        "Nessun individuo potrà essere arbitrariamente privato della sua cittadinanza, né del diritto di mutare "
        "cittadinanza.",
        "Il matrimonio potrà essere concluso soltanto con il libero e pieno consenso dei futuri coniugi.",
        "La famiglia è il nucleo naturale e fondamentale della società e ha diritto ad essere protetta dalla società e "
        "dallo Stato.",
        "Ogni individuo ha il diritto ad avere una proprietà sua personale o in comune con altri.",
        "Nessun individuo potrà essere arbitrariamente privato della sua proprietà.",
        "Ogni individuo ha diritto alla libertà di opinione e di espressione.",
        "Ogni individuo ha diritto alla libertà di riunione e di associazione pacifica.",
        "Nessuno può essere costretto a far parte di un'associazione.",
        "Ogni individuo, senza discriminazione, ha diritto ad eguale retribuzione per eguale lavoro.",
        "Ogni individuo ha diritto al riposo ed allo svago.",
        "Ogni individuo ha diritto all'istruzione.",
        "Ogni individuo ha diritto di prendere parte liberamente alla vita culturale della comunità.",
    ),
}
