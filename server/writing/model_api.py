"""An account's own model server: where it listens, what would be sent, and drafts by it."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest
from ninja import Router, Status

from dearhost.errors import ModelServerError
from dearhost.writing.model_server import ModelServer, model_server
from dearhost.writing.model_writer import messages_for
from dearhost.writing.structures import STRUCTURES
from server.accounts.account import account_id
from server.jobs.actions.start import start_job
from server.jobs.api import JobOut
from server.jobs.models import Job
from server.writing.models import ModelAddress
from server.writing.reading import brief_of
from server.writing.schemas import DraftsIn, ModelIn, PreviewOut

router = Router(tags=["writing"])


@router.get("/model", response=ModelIn, operation_id="getModel")
def get(request: HttpRequest) -> dict[str, str]:
    """Where the account's model listens; "" for nowhere."""
    kept = ModelAddress.objects.filter(owner_id=account_id(request)).first()
    return {"address": kept.address, "model": kept.model} if kept else {"address": "", "model": "local"}


@router.put("/model", response=ModelIn, operation_id="setModel")
def put(request: HttpRequest, data: ModelIn) -> dict[str, str]:
    """Set it, or take it away. Raises ModelServerError for an address that is not this machine."""
    if not data.address.strip():
        ModelAddress.objects.filter(owner_id=account_id(request)).delete()
        return {"address": "", "model": "local"}
    server = model_server(data.address, data.model)
    ModelAddress.objects.update_or_create(
        owner_id=account_id(request), defaults={"address": server.address, "model": data.model}
    )
    return {"address": server.address, "model": data.model}


def own_server(owner_id: int) -> ModelServer:
    """The account's model server. Raises ModelServerError where none is set."""
    kept = ModelAddress.objects.filter(owner_id=owner_id).first()
    if kept is None:
        raise ModelServerError("No model server is set.")
    return model_server(kept.address, kept.model)


@router.post("/model/preview", response=PreviewOut, operation_id="previewModelDraft")
def preview(request: HttpRequest, data: DraftsIn) -> dict[str, Any]:
    """What would be sent for a draft; sends nothing."""
    server = own_server(account_id(request))
    structure = STRUCTURES[data.structures[0] if data.structures else "hook"]
    return {"address": server.address, "sent": server.request(messages_for(brief_of(data), structure, data.target), 0)}


@router.post("/model/drafts", response={202: JobOut}, operation_id="writeModelDraft")
def draft(request: HttpRequest, data: DraftsIn) -> Status[Job]:
    """Have the model write a draft; the job's result holds it as a draft, and what it made up."""
    own_server(account_id(request))
    brief_of(data)
    return Status(202, start_job(account_id(request), "model-draft", data.dict()))
