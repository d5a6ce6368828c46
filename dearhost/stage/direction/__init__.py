"""Direction: what cues and words make hosts do."""
