"""What is left over remembers every place it lay in. Of old rows only the last move is known, and when it was made."""

from typing import Any

from django.db import migrations, models


def from_last(apps: Any, schema_editor: Any) -> None:
    for left in apps.get_model("larder", "Left").objects.exclude(place="table").iterator():
        left.moves = [[left.moved.isoformat(), left.place]]
        left.save(update_fields=["moves"])


class Migration(migrations.Migration):
    dependencies = [("larder", "0001_initial")]
    operations = [
        migrations.AddField("left", "moves", models.JSONField(default=list)),
        migrations.RunPython(from_last, migrations.RunPython.noop),
    ]
