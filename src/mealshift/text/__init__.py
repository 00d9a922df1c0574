"""Text as people have it: made plain with its places kept, numbers, stretches of time, lists of words."""
