"""Labels on the page, and sent to the printer that writes into a folder."""

import html
from pathlib import Path

from fastapi.testclient import TestClient
from tests.web.test_wrong import begun


def test_pages_of_labels_and_the_printer(client: TestClient, tmp_path: Path) -> None:
    project = begun(client)
    page = client.get(f"{project}/cut/labels", params={"of": "kits", "sheet": "A4, 3 × 8"}).text
    blocks = page.count('class="label-edge"')
    assert blocks
    assert page.count("label-sheet") == -(-blocks // 24)
    skipped = client.get(
        f"{project}/cut/labels", params={"of": "kits", "sheet": "A4, 3 × 8", "skip": "23"}
    ).text
    assert skipped.count("label-sheet") == 1 + -(-(blocks - 1) // 24)
    sent = client.post(f"{project}/cut/labels", data={"of": "kits", "sheet": "A4, 3 × 8"})
    assert f"Sent {blocks} labels to the label printer" in sent.text
    written = sorted((tmp_path / "labels").glob("*.png"))
    assert len(written) == blocks
    assert all(path.read_bytes().startswith(b"\x89PNG") for path in written)
    own = {"sheet": "own size", "columns": "9", "width": "2"}
    wrong = client.get(f"{project}/cut/labels", params=own)
    assert wrong.status_code == 422
    assert "too wide for the page" in html.unescape(wrong.text)
