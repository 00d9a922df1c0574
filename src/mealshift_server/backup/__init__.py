"""All of a household as one document, and back."""
