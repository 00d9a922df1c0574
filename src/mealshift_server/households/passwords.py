"""What Django's own rules for passwords leave through."""

from __future__ import annotations

from django.core.exceptions import ValidationError

from .models import User

_OURS = ("mealshift", "meal shift", "meal-shift", "meal_shift")


class NoBlanksNorOurName:
    """Refuses a password of blanks or of one letter again and again, and one that is the product's name with a little around it."""

    def validate(self, password: str, user: User | None = None) -> None:
        if len(set(password.strip())) < 4:
            raise ValidationError("This password is one that anybody would try: take one with more different letters.")
        low = password.lower()
        if any(len(low.replace(name, "")) < 6 for name in _OURS if name in low):
            raise ValidationError("This password is too near to the name of the program: take another.")

    def get_help_text(self) -> str:
        return "Not of blanks, and not the program's own name."
