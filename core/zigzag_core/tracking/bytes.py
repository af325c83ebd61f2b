"""Reading and writing the small pieces that saved progress is packed from."""

from collections.abc import Iterable

from zigzag_core.errors import Damaged


class Writer:
    """Collects unsigned numbers (7 bits a byte, low first), texts and sets of numbers."""

    def __init__(self) -> None:
        self.data = bytearray()

    def varint(self, value: int) -> None:
        """Write a number from 0, seven bits a byte, the lowest first."""
        while value > 0x7F:
            self.data.append(value & 0x7F | 0x80)
            value >>= 7
        self.data.append(value)

    def signed(self, value: int) -> None:
        """Write a signed number, small ones short: 0, -1, 1, -2 … become 0, 1, 2, 3 …"""
        self.varint(value * 2 if value >= 0 else -value * 2 - 1)

    def u32(self, value: int) -> None:
        """Write a number from 0 to below 2³² in four bytes, the lowest first."""
        self.data += value.to_bytes(4, "little")

    def text(self, value: str) -> None:
        """Write a text as UTF-8, after its length in bytes."""
        raw = value.encode()
        self.varint(len(raw))
        self.data += raw

    def bits(self, members: Iterable[int]) -> None:
        """Write a set of small numbers as a bitmap that ends with its last member."""
        bitmap = bytearray()
        for member in members:
            index = member >> 3
            if index >= len(bitmap):
                bitmap.extend(bytes(index + 1 - len(bitmap)))
            bitmap[index] |= 1 << (member & 7)
        self.varint(len(bitmap))
        self.data += bitmap


class Reader:
    """Reads what `Writer` wrote; raises `Damaged` rather than read past the end."""

    def __init__(self, data: bytes) -> None:
        self.data = data
        self.position = 0

    def take(self, count: int) -> bytes:
        """Return the next `count` bytes."""
        end = self.position + count
        if end > len(self.data):
            raise Damaged("the saved progress ends too early")
        piece = self.data[self.position : end]
        self.position = end
        return piece

    def varint(self) -> int:
        """Read a number of at most 56 bits."""
        value = shift = 0
        while True:
            byte = self.take(1)[0]
            value |= (byte & 0x7F) << shift
            if byte < 0x80:
                return value
            shift += 7
            if shift > 49:
                raise Damaged("a number in the saved progress is too large")

    def signed(self) -> int:
        """Read a signed number."""
        value = self.varint()
        return -(value + 1) // 2 if value & 1 else value // 2

    def u32(self) -> int:
        """Read a number of four bytes."""
        return int.from_bytes(self.take(4), "little")

    def text(self) -> str:
        """Read a text."""
        try:
            return self.take(self.varint()).decode()
        except UnicodeDecodeError:
            raise Damaged("a text in the saved progress cannot be read") from None

    def bits(self) -> list[int]:
        """Read a set of small numbers, in rising order."""
        bitmap = self.take(self.varint())
        return [
            index * 8 + bit
            for index, byte in enumerate(bitmap)
            for bit in range(8)
            if byte >> bit & 1
        ]
