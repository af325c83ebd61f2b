"""Numbers and texts in as few bits as can be: an arithmetic coder that learns as it goes.

Everything is written bit by bit under the name of a *context*. For each place in a context the
coder counts how often a bit was 1, so what repeats costs almost nothing. All arithmetic is on
integers, and the twin `web/player/tracking/coder.ts` gives the same bytes.

Source: I. H. Witten, R. M. Neal, J. G. Cleary, *Arithmetic coding for data compression*, CACM 30
(1987), in the binary form without carries; numbers are Elias gamma codes (1975) of adaptive bits.
"""

from collections.abc import Iterable

from zigzag_core.errors import Damaged

_TOP = 0xFFFFFFFF
_HALF = 1 << 15
_SLOWEST = 30
"""After so many bits at a place the next ones change its odds by no less than a 32nd."""
_RATES = [65536 // (seen + 2) for seen in range(_SLOWEST + 1)]
_LEAST = 32
_LONGEST = 52
"""The bits of the largest number, less one: JavaScript is exact up to 2⁵³."""
_ADAPTIVE = 3
"""So many leading bits of a number are learned; the rest are as likely 0 as 1."""
_SIZE_CLASSES = 16
_MOST = 1_000_000
"""More things or bytes than this are in no saved progress."""


class Context:
    """How likely a 1 is at each place of a context, in 65536ths, and how much was seen there."""

    __slots__ = ("odds", "seen")

    def __init__(self) -> None:
        self.odds: dict[int, int] = {}
        self.seen: dict[int, int] = {}

    def at(self, place: int) -> int:
        """Return the odds of a 1 at `place`."""
        return self.odds.get(place, _HALF)

    def learn(self, place: int, bit: int) -> None:
        """Note that `bit` was at `place`."""
        odds, seen = self.at(place), self.seen.get(place, 0)
        rate = _RATES[seen]
        odds += (65536 - odds) * rate >> 16 if bit else -(odds * rate >> 16)
        self.odds[place] = min(max(odds, _LEAST), 65536 - _LEAST)
        self.seen[place] = min(seen + 1, _SLOWEST)


class Coder:
    """What writing and reading have in common: contexts by name, and the two ends of the range."""

    def __init__(self) -> None:
        self.contexts: dict[str, Context] = {}
        self.low = 0
        self.high = _TOP

    def context(self, name: str) -> Context:
        """Return the context `name`, a new one where there is none yet."""
        found = self.contexts.get(name)
        if found is None:
            found = self.contexts[name] = Context()
        return found

    def split(self, odds: int) -> int:
        """Return the end of the part of the range that stands for a 1."""
        return self.low + ((self.high - self.low) * odds >> 16)


class Writer(Coder):
    """Writes numbers, texts and sets, each under the name of a context."""

    def __init__(self) -> None:
        super().__init__()
        self._data = bytearray()

    def done(self) -> bytes:
        """Return all that was written, in the fewest bytes that say it."""
        for count in range(5):
            step = 1 << 32 - 8 * count
            value = -(-self.low // step) * step
            if value <= self.high:
                return bytes(self._data) + value.to_bytes(5, "big")[1 : count + 1]
        raise AssertionError("a range has at least one number")

    def bit(self, context: Context, place: int, bit: int) -> None:
        """Write a bit at a place of a context, which learns of it."""
        self._narrow(context.at(place), bit)
        context.learn(place, bit)

    def plain(self, value: int, bits: int) -> None:
        """Write the lowest `bits` of a number, of which nothing is known before."""
        for shift in range(bits - 1, -1, -1):
            self._narrow(_HALF, value >> shift & 1)

    def number(self, value: int, name: str) -> None:
        """Write a number from 0 to below 2⁵³ - 1; small ones are short."""
        context, value = self.context(name), value + 1
        size = value.bit_length() - 1
        for place in range(size):
            self.bit(context, place, 1)
        self.bit(context, size, 0)
        prefix = 1
        for depth in range(min(size, _ADAPTIVE)):
            bit = value >> (size - 1 - depth) & 1
            self.bit(context, _place(size, prefix), bit)
            prefix = prefix * 2 + bit
        self.plain(value, max(size - _ADAPTIVE, 0))

    def signed(self, value: int, name: str) -> None:
        """Write a signed number: 0, -1, 1, -2 … are written as 0, 1, 2, 3 …"""
        self.number(value * 2 if value >= 0 else -value * 2 - 1, name)

    def text(self, value: str, name: str) -> None:
        """Write a text as UTF-8, after its length in bytes."""
        raw, context, before = value.encode(), self.context(f"{name} letters"), 0
        self.number(len(raw), name)
        for byte in raw:
            prefix = 1
            for shift in range(7, -1, -1):
                bit = byte >> shift & 1
                self.bit(context, before << 8 | prefix, bit)
                prefix = prefix * 2 + bit
            before = byte >> 5

    def _narrow(self, odds: int, bit: int) -> None:
        middle = self.split(odds)
        if bit:
            self.high = middle
        else:
            self.low = middle + 1
        while not (self.low ^ self.high) >> 24:
            self._data.append(self.high >> 24)
            self.low = self.low << 8 & _TOP
            self.high = self.high << 8 & _TOP | 255

    def members(self, values: Iterable[int], name: str) -> None:
        """Write a set of numbers that are given in rising order."""
        found = list(values)
        self.number(len(found), f"{name} count")
        before = -1
        for value in found:
            self.number(value - before - 1, name)
            before = value


class Reader(Coder):
    """Reads what `Writer` wrote. Raises `Damaged` rather than go on far past the end."""

    def __init__(self, data: bytes) -> None:
        super().__init__()
        self._data = data
        self._position = 0
        self._value = 0
        for _ in range(4):
            self._value = self._value << 8 | self._byte()

    def bit(self, context: Context, place: int) -> int:
        """Read a bit at a place of a context, which learns of it."""
        bit = self._narrow(context.at(place))
        context.learn(place, bit)
        return bit

    def plain(self, bits: int) -> int:
        """Read a number of so many bits, of which nothing is known before."""
        value = 0
        for _ in range(bits):
            value = value << 1 | self._narrow(_HALF)
        return value

    def number(self, name: str) -> int:
        """Read a number."""
        context, size = self.context(name), 0
        while self.bit(context, size):
            size += 1
            if size > _LONGEST:
                raise Damaged("a number in the saved progress is too large")
        value = 1
        for _ in range(min(size, _ADAPTIVE)):
            value = value << 1 | self.bit(context, _place(size, value))
        rest = max(size - _ADAPTIVE, 0)
        return (value << rest | self.plain(rest)) - 1

    def count(self, name: str) -> int:
        """Read how many things follow."""
        value = self.number(name)
        if value > _MOST:
            raise Damaged("a number in the saved progress is too large")
        return value

    def signed(self, name: str) -> int:
        """Read a signed number."""
        value = self.number(name)
        return -(value + 1) // 2 if value & 1 else value // 2

    def text(self, name: str) -> str:
        """Read a text."""
        context, raw, before = self.context(f"{name} letters"), bytearray(), 0
        for _ in range(self.count(name)):
            prefix = 1
            while prefix < 256:
                prefix = prefix * 2 + self.bit(context, before << 8 | prefix)
            raw.append(prefix & 255)
            before = (prefix & 255) >> 5
        try:
            return raw.decode()
        except UnicodeDecodeError:
            raise Damaged("a text in the saved progress cannot be read") from None

    def members(self, name: str) -> list[int]:
        """Read a set of numbers, in rising order."""
        found, before = [], -1
        for _ in range(self.count(f"{name} count")):
            before += self.number(name) + 1
            found.append(before)
        return found

    def _byte(self) -> int:
        self._position += 1
        if self._position > len(self._data) + 8:
            raise Damaged("the saved progress ends too early")
        return self._data[self._position - 1] if self._position <= len(self._data) else 0

    def _narrow(self, odds: int) -> int:
        middle = self.split(odds)
        bit = int(self._value <= middle)
        if bit:
            self.high = middle
        else:
            self.low = middle + 1
        while not (self.low ^ self.high) >> 24:
            self.low = self.low << 8 & _TOP
            self.high = self.high << 8 & _TOP | 255
            self._value = self._value << 8 & _TOP | self._byte()
        return bit


def _place(size: int, prefix: int) -> int:
    """The place of a leading bit of a number that has `size` bits after its first."""
    return 64 + min(size, _SIZE_CLASSES - 1) * 8 + prefix
