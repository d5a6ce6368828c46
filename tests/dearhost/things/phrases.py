"""Forty phrases and what a picture editor would accept for each, written before the search was tried on them."""

from __future__ import annotations

FORTY: tuple[tuple[str, frozenset[str]], ...] = tuple(
    (phrase, frozenset(accepted.split()))
    for phrase, accepted in (
        ("the moon is full tonight", "moon moon-stars"),
        ("the fishing fleet comes home", "boat fish"),
        ("bring a packed lunch", "apple bread basket plate bowl-food hamburger"),
        ("the ferry leaves at noon", "boat"),
        ("call us before you come", "phone phone-call"),
        ("we answer every email", "letter envelope envelope-open envelope-simple"),
        ("park your car behind the school", "car school"),
        ("the doctor will see you now", "stethoscope"),
        ("brush your teeth twice a day", "tooth"),
        ("save money for a rainy day", "money piggy-bank"),
        ("plant a tree this autumn", "tree leaf"),
        ("turn off the lights", "bulb lamp lightbulb"),
        ("wash your hands", "hand-soap drop hands"),
        ("our new office is near the station", "train buildings building-office"),
        ("keep the noise down", "ear speaker-slash speaker-low speaker-x"),
        ("find the answer in the library", "book books magnifier"),
        ("the score is in the balance", "scales"),
        ("cycle to work on Friday", "bicycle calendar person-simple-bike"),
        ("mind the slippery rocks", "warning"),
        ("the harbour freezes in winter", "snowflake anchor"),
        ("take a photograph of the crab", "camera crab"),
        ("we deliver your order tomorrow", "parcel truck"),
        ("a birthday at the museum", "cake gift"),
        ("sign the contract", "handshake pencil signature"),
        ("listen to the audio guide", "headphones ear"),
        ("the volunteers repair the roof", "hammer wrench crowd solar-roof"),
        ("drink more water", "drop bottle"),
        ("a storm is on its way", "lightning rain wind"),
        ("our team won the prize", "trophy crowd"),
        ("visitors from around the world", "earth crowd"),
        ("swap plastic for paper", "bottle"),
        ("set the alarm for seven", "clock bell alarm"),
        ("the temperature is rising", "thermometer chart-up"),
        ("the queen's crown", "crown crown-simple crown-cross"),
        ("strong as an elephant or quiet as a mouse", "mouse rabbit"),
        ("learn to play the guitar", "guitar music"),
        ("cook dinner together", "plate cooking-pot chef-hat"),
        ("the baby is asleep", "baby bed"),
        ("train your brain", "brain"),
        ("a bridge to the island", "bridge island"),
    )
)
