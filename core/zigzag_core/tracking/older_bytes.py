"""Reading the small pieces that older saved progress was packed from."""

from zigzag_core.errors import Damaged


class Reader:
    """Reads numbers, texts and sets; raises `Damaged` rather than read past the end."""

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
