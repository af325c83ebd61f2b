"""What the media of a package come to, and what would save most."""

from zigzag_core.course import MediaFile
from zigzag_core.media.transcoding import most_bytes
from zigzag_core.packaging.weight import MOST_SAVINGS, weight_of


def _file(name, type_, size, minutes=0):
    return MediaFile(id=name, name=name, type=type_, sha256="a" * 64, size=size,
                     duration=minutes * 60_000)


def test_media_count_by_kind_and_the_largest_saving_comes_first():
    weight = weight_of([
        _file("tour", "video/mp4", 48_000_000, minutes=2),
        _file("long", "video/webm", 90_000_000, minutes=5),
        _file("small", "video/mp4", 9_000_000, minutes=2),
        _file("talk", "audio/wav", 30_000_000, minutes=3), _file("hutmap", "image/png", 70_000_000),
    ])
    assert (weight.pictures, weight.videos, weight.audio) == (70_000_000, 147_000_000, 30_000_000)
    assert [one.media for one in weight.savings] == ["long", "tour", "talk"]
    assert weight.savings[1].small == most_bytes("small", 120_000, True)


def test_only_the_few_that_save_most_are_told():
    weight = weight_of(_file(f"film{n}", "video/mp4", 10_000_000 + n, 1) for n in range(20))
    assert len(weight.savings) == MOST_SAVINGS
    assert weight.savings[0].media == "film19"


def test_nothing_is_promised_for_a_file_whose_length_is_not_known():
    assert weight_of([_file("film", "video/mp4", 10_000_000)]).savings == ()


def test_nothing_is_nothing():
    assert weight_of([]).savings == ()
