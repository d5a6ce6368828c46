"""Motion: a performance over time, from lips and gestures to walks."""
