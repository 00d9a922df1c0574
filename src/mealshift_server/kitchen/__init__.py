"""The household's kitchen: pots, burners, appliances, place; devices that read the pot."""
