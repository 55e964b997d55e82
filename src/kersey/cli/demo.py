"""The sample world, served."""

import typer

from kersey.cli.refusal import fail
from kersey.cli.settings import Data, Host, Phone, Port, read_settings, refused_in_words
from kersey.cli.site import run
from kersey.demo.sample_world import lacks_sample_world, load_sample_world
from kersey.web.server_settings import own_folder, sample_folder

app = typer.Typer()


@app.command()
def demo(host: Host = None, port: Port = None, data: Data = None, phone: Phone = False) -> None:
    """Start Kersey with sample quilts, in a separate folder."""
    settings = read_settings(host, port, data or sample_folder())
    folder = settings.data
    if folder.resolve() == own_folder().resolve():
        fail(f"{folder} is for your own quilts. Choose another folder with --data.")
    with refused_in_words():
        lacks = lacks_sample_world(folder)
    meanwhile = (lambda: load_sample_world(folder)) if lacks else None
    run(settings, f"The sample quilts are saved in {folder}", phone, meanwhile)
