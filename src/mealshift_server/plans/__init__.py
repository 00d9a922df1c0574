"""Plans and cookings: dishes worked back from the plate, and the events of cooking them."""
