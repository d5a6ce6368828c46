"""Drawing: paper, outlines, colours, cut shapes and fonts. It knows nothing of hosts or stages."""
