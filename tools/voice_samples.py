"""Ten short sentences by ten of the full voices, for a person to listen to: ``python -m tools.voice_samples``."""

from __future__ import annotations

from pathlib import Path

from dearhost.production import Studio
from dearhost.sound.files import write_sound

FOLDER = Path(__file__).resolve().parent.parent / "docs" / "samples"
SAID = {
    "hannah": "Good morning. If you walked in along the harbour today, you may have seen a dark line on the wall.",
    "owen": "Hello, and welcome to the pier! I keep the tide room and the keys.",
    "joan": "The museum opens at ten, and the last boat leaves at half past four.",
    "simon": "Forty of them were counted in 1999; nobody has counted since.",
    "clara": "It needs no battery. It only needs the Moon.",
    "edith": "My grandmother lit the red lamp every evening for thirty years.",
    "theo": "Really? You can see the whole harbour from up there?",
    "walter": "The water comes back. It always has.",
    "pilar": "Bienvenidos al muelle, y gracias por venir tan temprano.",
    "helene": "Bienvenue sur la jetée, et merci d'être venus.",
}


def main() -> None:
    """Write each as Opus."""
    studio = Studio()
    FOLDER.mkdir(exist_ok=True)
    for voice, text in SAID.items():
        reading = studio.speaker.read(text, voice)
        write_sound(FOLDER / f"{voice}.opus", reading.samples, reading.sample_rate, bit_rate=28_000)
        print(f"{voice}: {text}")


if __name__ == "__main__":
    main()
