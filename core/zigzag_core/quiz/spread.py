"""Distributions of points as their Fourier transforms: sums are products, mixtures are sums.

A distribution is over two things at once: the points that can be reached, and those that were got.
Both lie on a grid; what lies between two of its lines is shared out so that the mean stays as it
is. Values go around the grid's end, so it has to be as wide as they can differ.
Source: circular convolution, A. V. Oppenheim, R. W. Schafer, *Discrete-Time Signal Processing*,
chapter 8.
"""

from collections.abc import Collection, Mapping
from dataclasses import dataclass
from functools import cached_property
from math import gcd

import numpy as np
from numpy.typing import NDArray

Waves = NDArray[np.complex128]
"""A distribution: its transform over (points that can be reached, points got)."""

FINEST = 512
"""So many values of points got are told from each other at most, of points reachable `MOST`."""

MOST = 128
_NOISE = 1e-13
"""What the transforms of chances are off by at most; less than this is no chance."""


@dataclass(frozen=True)
class Axis:
    """Values from `lowest` to `highest` (hundredths of points), every `unit` of them."""

    lowest: int
    highest: int
    unit: float

    @cached_property
    def count(self) -> int:
        """How many values there are."""
        return int((self.highest - self.lowest) / self.unit + 1e-9) + 2

    @cached_property
    def values(self) -> NDArray[np.float64]:
        """All values, in the order of a transformed grid."""
        first = int(np.floor(self.lowest / self.unit))
        steps = first + (np.arange(self.count) - first) % self.count
        return steps.astype(np.float64) * self.unit

    def wave(self, value: float) -> Waves:
        """Return the transform of one value, shared out between the two lines around it."""
        line = np.floor(value / self.unit + 1e-9)
        over = max(value / self.unit - line, 0.0)
        turns = np.arange(self.count) * (-2j * np.pi / self.count)
        here: Waves = np.exp(turns * (line % self.count))
        return here if over < 1e-9 else here * (1 - over + over * np.exp(turns))


def axis(lowest: int, highest: int, values: Collection[int], most: int) -> Axis:
    """Return the axis for sums from `lowest` to `highest` of `values`, with few lines enough."""
    unit = float(gcd(*values) or 1)
    if (highest - lowest) / unit > most:
        unit = (highest - lowest) / most
    return Axis(lowest, highest, unit)


class Grid:
    """Makes distributions on two axes, and reads them."""

    def __init__(self, reach: Axis, got: Axis) -> None:
        self.reach, self.got = reach, got

    @cached_property
    def nothing(self) -> Waves:
        """The distribution of certainly no points."""
        return np.ones((self.reach.count, self.got.count), dtype=np.complex128)

    @property
    def none(self) -> Waves:
        """A distribution in the making, of which nothing is there yet."""
        return np.zeros((self.reach.count, self.got.count), dtype=np.complex128)

    def of(self, most: int, got: Mapping[int, float]) -> Waves:
        """Return the distribution of `most` points, of which `got` tells how likely each is got."""
        waves = sum((chance * self.got.wave(points) for points, chance in got.items()),
                    np.zeros(self.got.count, dtype=np.complex128))
        return np.outer(self.reach.wave(most), waves)

    def read(self, waves: Waves) -> "Spread":
        """Return the chances that a distribution holds."""
        chances = np.real(np.fft.ifft2(waves))
        return Spread(self.reach.values, self.got.values,
                      np.where(np.abs(chances) < _NOISE, 0.0, chances), self.got.unit / 100)


@dataclass(frozen=True)
class Spread:
    """How likely it is to have reachable (rows) and got (columns) points, in hundredths.

    Points are told apart by `step`.
    """

    most: NDArray[np.float64]
    points: NDArray[np.float64]
    chances: NDArray[np.float64]
    step: float

    def passing(self, per_cent: float) -> float:
        """Return how likely (0..1) at least `per_cent` of what can be reached is got."""
        most = self.most[:, np.newaxis]
        enough = (most > 0) & (
            np.maximum(self.points, 0)[np.newaxis, :] * 100 >= per_cent * most - 1e-6)
        return float(min(max(self.chances[enough].sum(), 0.0), 1.0))

    def by_points(self) -> list[tuple[float, float]]:
        """Return how likely all points are, from few to many."""
        found = self.chances.sum(axis=0)
        return sorted((float(points) / 100, float(chance))
                      for points, chance in zip(self.points, found, strict=True) if chance > 0)
