import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    """The table stays where it is; only the room that keeps it is another."""

    initial = True
    dependencies = [
        ("households", "0001_initial"),
        ("notebook", "0002_decision_catalogue"),
    ]

    operations = [
        migrations.SeparateDatabaseAndState(
            state_operations=[
                migrations.CreateModel(
                    name="Decision",
                    fields=[
                        ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                        ("kind", models.CharField(max_length=20)),
                        ("subject", models.CharField(blank=True, max_length=60)),
                        ("held", models.FloatField(null=True)),
                        ("refused", models.FloatField(null=True)),
                        ("text", models.CharField(default="", max_length=300)),
                        ("entries", models.JSONField(default=list)),
                        ("catalogue", models.PositiveSmallIntegerField(default=1)),
                        ("decided", models.DateTimeField(auto_now=True)),
                        ("household", models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name="decisions", to="households.household")),
                    ],
                    options={
                        "db_table": "notebook_decision",
                        "ordering": ("-decided",),
                        "constraints": [models.UniqueConstraint(fields=("household", "kind", "subject"), name="decision_once")],
                    },
                ),
            ],
        ),
    ]
