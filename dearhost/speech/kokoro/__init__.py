"""Kokoro-82M, an open neural speech model (Apache-2.0), taken apart so that lengths, pitch and loudness can be set
between its predictor and its decoder."""
