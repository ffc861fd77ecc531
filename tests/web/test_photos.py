"""Pictures of results: kept beside the file, shrunk, upright, and without what a camera writes into them."""

import base64
import io

import pytest
from PIL import Image

from mulvek.cli import main
from mulvek.cli.serve import data_file
from mulvek.store.photos import LONGEST_SIDE, MOST, Photos, shrunk
from mulvek.web.app import create_app, stop

GPS, ORIENTATION, OWNER = 0x8825, 0x0112, 0x013B


def picture(size=(400, 300), kind="JPEG", exif=True) -> bytes:
    """White above, red below, as a camera would give it: lying on its side, with its place and its owner."""
    image = Image.new("RGB", size, "white")
    image.paste((200, 0, 0), (0, size[1] // 2, *size))
    out, told = io.BytesIO(), Image.Exif()
    if exif:
        told[ORIENTATION], told[OWNER] = 6, "the cook"
        told.get_ifd(GPS)[1] = "N"
        told.get_ifd(GPS)[2] = (26.0, 13.0, 7.0)
    image.save(out, kind, exif=told) if exif else image.save(out, kind)
    return out.getvalue()


def send(client, batch, image: bytes):
    return client.post(f"/api/batches/{batch}/photos", json={"image": base64.b64encode(image).decode()})


@pytest.fixture
def kitchen(tmp_path, templates):
    file = templates.demo(data_file(tmp_path, demo=True))
    app = create_app(file)
    yield file, app.test_client()
    stop(app)


def test_a_picture_comes_back_shrunk_upright_and_says_nothing_else(kitchen):
    file, client = kitchen
    sent = picture((4000, 3000))
    assert b"the cook" in sent
    assert send(client, 9, sent).json == {"photos": [1]}
    answer = client.get("/api/batches/9/photos/1")
    assert answer.status_code == 200 and answer.mimetype == "image/jpeg"
    got = Image.open(io.BytesIO(answer.data))
    assert got.size == (LONGEST_SIDE * 3 // 4, LONGEST_SIDE)  # turned: it lay on its side
    assert dict(got.getexif()) == {} and b"the cook" not in answer.data and b"GPS" not in answer.data
    left, right = got.getpixel((5, 800)), got.getpixel((got.width - 5, 800))
    assert left[1] < 60 and right[1] > 200  # what was below is at the left now
    assert (file.parent / f"{file.name}.photos" / "9-1.jpg").read_bytes() == answer.data


@pytest.mark.parametrize("kind", ["JPEG", "PNG", "WEBP"])
def test_what_cameras_and_screens_give_is_taken(kind):
    assert Image.open(io.BytesIO(shrunk(picture(kind=kind, exif=False)))).size == (400, 300)
    clear = io.BytesIO()
    Image.new("RGBA", (20, 20), (0, 0, 0, 0)).save(clear, "PNG")
    assert Image.open(io.BytesIO(shrunk(clear.getvalue()))).mode == "RGB"


def test_pictures_are_few_and_can_be_taken_away(kitchen):
    _, client = kitchen
    for n in range(1, MOST + 1):
        assert send(client, 9, picture()).json["photos"] == list(range(1, n + 1))
    full = send(client, 9, picture())
    assert full.status_code == 409 and full.json["fields"][0]["path"] == "photo"
    assert client.delete("/api/batches/9/photos/2").json == {"photos": [1, 3, 4]}
    assert client.get("/api/batches/9/photos/2").status_code == 404
    assert send(client, 9, picture()).json == {"photos": [1, 3, 4, 5]}
    assert client.get("/api/batches/3/photos").json == {"photos": []}


@pytest.mark.parametrize(
    "image",
    [b"", b"not a picture", b"GIF89a" + bytes(40), picture()[:300], b"\x89PNG\r\n\x1a\n" + bytes(20), b"<svg/>"],
)
def test_what_is_no_picture_is_refused_and_leaves_nothing(kitchen, image):
    file, client = kitchen
    answer = send(client, 9, image)
    assert answer.status_code == 422 and answer.json["fields"][0]["path"].endswith("image")
    assert client.get("/api/batches/9/photos").json == {"photos": []} and Photos(file).of(9) == []


def test_nothing_beside_base64_and_no_batch_that_there_is_not(kitchen):
    _, client = kitchen
    assert client.post("/api/batches/9/photos", json={"image": "!!"}).status_code == 422
    assert send(client, 999, picture()).status_code == 404
    assert client.delete("/api/batches/9/photos/1").status_code == 404
    assert client.post("/api/batches/9/photos", json={"image": "A" * 9_000_000}).status_code == 413


def test_a_bomb_of_pixels_is_not_unpacked(kitchen):
    _, client = kitchen
    wide = Image.new("1", (12_000, 12_000))
    out = io.BytesIO()
    wide.save(out, "PNG")
    answer = send(client, 9, out.getvalue())
    assert answer.status_code == 422 and "larger than any camera" in answer.json["detail"]


def test_they_go_along_with_a_copy_and_come_back_with_it(kitchen, tmp_path, capsys):
    file, client = kitchen
    send(client, 9, picture())
    send(client, 3, picture())
    data, copy = ["--data", str(tmp_path), "--demo"], tmp_path / "copy.sqlite3"
    assert main(["backup", "--to", str(copy), *data]) == 0 and "with 2 pictures" in capsys.readouterr().out
    other = tmp_path / "other"
    assert main(["restore", str(copy), "--yes", "--data", str(other), "--demo"]) == 0
    there = Photos(data_file(other, demo=True))
    assert there.of(9) == [1] and there.path(9, 1).read_bytes() == Photos(file).path(9, 1).read_bytes()
