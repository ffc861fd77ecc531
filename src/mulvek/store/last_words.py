"""The repository of what each station's sentence said last: whoever opens it next, on whatever screen, goes on from there."""

from sqlalchemy import select
from sqlalchemy.orm import Session

from .larder import Larder
from .tables import LastWordsRow


class LastWords:
    """Of one kitchen."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def all(self) -> dict[str, str]:
        """The query of each station's address, by the station's name; what is damaged is left out."""
        rows = self.session.execute(select(LastWordsRow.station, LastWordsRow.query))
        return {station: query for station, query in rows if isinstance(station, str) and isinstance(query, str)}

    def keep(self, station: str, query: str) -> None:
        kitchen = Larder(self.session).row().id
        self.session.merge(LastWordsRow(kitchen_id=kitchen, station=station, query=query))
        self.session.flush()
