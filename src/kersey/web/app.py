"""The site, as a map."""

import asyncio
import gc
import logging
from collections.abc import AsyncIterator, MutableMapping
from contextlib import asynccontextmanager
from typing import Any

from fastapi import FastAPI
from starlette.middleware.gzip import GZipMiddleware
from starlette.responses import Response
from starlette.staticfiles import StaticFiles

from kersey.formats import cupboard_csv, kersey_file, order, photograph
from kersey.store.database import open_database
from kersey.web import pictures, styles
from kersey.web.api import routes as api
from kersey.web.bag import routes as bag
from kersey.web.border import routes as border
from kersey.web.camera import routes as camera
from kersey.web.cupboard import lot, spreadsheet
from kersey.web.cupboard import routes as cupboard
from kersey.web.error_pages import install_error_pages
from kersey.web.first_page import routes as first_page
from kersey.web.glossary import routes as glossary
from kersey.web.guard import Guard
from kersey.web.housekeeping import keep_house
from kersey.web.ledger import routes as ledger
from kersey.web.phone import routes as phone
from kersey.web.plan import routes as plan
from kersey.web.preferences import routes as preferences
from kersey.web.progress import routes as progress
from kersey.web.questions import routes as questions
from kersey.web.server_settings import ServerSettings, sample_folder
from kersey.web.shop import routes as shop
from kersey.web.stages import stage_routers
from kersey.web.taken_once import TakenOnce
from kersey.web.tape import routes as tape
from kersey.web.templating import STATIC
from kersey.web.units import routes as units
from kersey.web.workroom import Workroom
from kersey.web.your_data import routes as your_data

# What is larger than a request may be, but not by far, is still read, to say so in a sentence.
_MOST_READ = 64 * 1024 * 1024


# Fabric is many small objects that live long: looking for cycles as often as Python does by itself
# takes half of the time that a large file takes to read.
gc.set_threshold(100_000, 50, 100)


def create_dev_app() -> FastAPI:
    """The pages over the sample world, for `make dev`."""
    settings = ServerSettings(data=sample_folder())
    begin_logging(settings)
    return create_app(settings)


def begin_logging(settings: ServerSettings) -> None:
    """Log as much as the settings say."""
    level = settings.log_level.upper()
    logging.basicConfig(format="%(levelname)s %(name)s: %(message)s", level=level)


def create_app(settings: ServerSettings) -> FastAPI:
    """Kersey's pages over the data in one folder; raises `UnusableData`."""
    app = _pages(settings)
    furnish(app, settings)
    return app


def furnish(app: FastAPI, settings: ServerSettings) -> None:
    """Give the pages their data; raises `UnusableData`."""
    app.state.workroom = Workroom(
        open_database(settings.data),
        camera=settings.camera,
        label_printer=settings.label_printer or settings.data / "labels",
    )
    app.state.addresses = {}
    app.state.pictures = pictures.Pictures()


def _pages(settings: ServerSettings) -> FastAPI:
    app = FastAPI(
        title="Kersey",
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        lifespan=_open,
    )
    app.include_router(api.router)
    app.include_router(first_page.router, include_in_schema=False)
    app.include_router(cupboard.router, include_in_schema=False)
    app.include_router(lot.router, include_in_schema=False)
    app.include_router(spreadsheet.router, include_in_schema=False)
    app.include_router(shop.router, include_in_schema=False)
    app.include_router(bag.router, include_in_schema=False)
    app.include_router(border.router, include_in_schema=False)
    app.include_router(camera.router, include_in_schema=False)
    app.include_router(ledger.router, include_in_schema=False)
    app.include_router(glossary.router, include_in_schema=False)
    app.include_router(tape.router, include_in_schema=False)
    app.include_router(units.router, include_in_schema=False)
    app.include_router(questions.router, include_in_schema=False)
    for router in stage_routers():
        app.include_router(router, include_in_schema=False)
    app.include_router(plan.router, include_in_schema=False)
    app.include_router(preferences.router, include_in_schema=False)
    app.include_router(phone.router, include_in_schema=False)
    app.include_router(your_data.router, include_in_schema=False)
    app.include_router(progress.router, include_in_schema=False)
    app.include_router(styles.router, include_in_schema=False)
    app.include_router(pictures.router, include_in_schema=False)
    app.mount("/static", _KeptFiles(directory=STATIC), name="static")

    install_error_pages(app)
    app.add_middleware(GZipMiddleware, minimum_size=1000, compresslevel=5)
    app.add_middleware(TakenOnce)
    app.add_middleware(
        Guard,
        hosts=settings.own_names,
        any_address=settings.listens_beyond_this_machine,
        files={
            app.url_path_for("bring_in_spreadsheet"): cupboard_csv.MOST_BYTES,
            app.url_path_for("bring_in_everything"): kersey_file.MOST_BYTES,
            app.url_path_for("restore_sent"): your_data.MOST_BYTES,
            app.url_path_for("bring_in_delivery"): order.MOST_BYTES,
            app.url_path_for("read_photograph"): photograph.MOST_BYTES,
            app.url_path_for("send_real_wall", project_id="*"): photograph.MOST_BYTES,
            app.url_path_for("api_yield"): _MOST_READ,
            app.url_path_for("api_quilt"): _MOST_READ,
        },
    )
    return app


@asynccontextmanager
async def _open(app: FastAPI) -> AsyncIterator[None]:
    """While the site is open its searches may run, and its house is kept."""
    room, over = app.state.workroom, asyncio.Event()
    house = asyncio.create_task(keep_house(room, over))
    yield
    over.set()
    await house
    await room.door.closed()
    room.searches.close()


class _KeptFiles(StaticFiles):
    """Shipped files; their addresses change with their contents, so a browser may keep them."""

    async def get_response(self, path: str, scope: MutableMapping[str, Any]) -> Response:
        response = await super().get_response(path, scope)
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
        return response
