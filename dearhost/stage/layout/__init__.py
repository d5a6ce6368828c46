"""Layout: picture shapes, where hosts stand, shots, furniture and the camera."""
