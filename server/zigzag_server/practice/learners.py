"""The invented learners of the practice LMS."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Learner:
    """`name` in the form that tracking standards use: family name, given name."""

    key: str
    name: str

    @property
    def friendly(self) -> str:
        """The name as people say it: given name first."""
        family, given = self.name.split(", ")
        return f"{given} {family}"


LEARNERS = {
    learner.key: learner for learner in (
        Learner("ines-tarrow", "Tarrow, Ines"),
        Learner("bo-lindqvale", "Lindqvale, Bo"),
        Learner("sefa-moran", "Morânt, Sefa"),
        Learner("yuki-adair", "Adairo, Yuki"),
        Learner("tam-okell", "O’Kellin, Tam"),
    )
}
