"""What a household has accepted from its notebook, as factors that shifts reckon with."""
