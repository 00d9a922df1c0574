from django.db import migrations


class Migration(migrations.Migration):
    """Decisions are kept by the room "taught" now; their table stays."""

    dependencies = [
        ("notebook", "0002_decision_catalogue"),
        ("taught", "0001_from_the_notebook"),
    ]

    operations = [
        migrations.SeparateDatabaseAndState(state_operations=[migrations.DeleteModel(name="Decision")]),
    ]
