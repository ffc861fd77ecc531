"""What can be done to a rehearsed pan beyond what the Stove logs of a real one."""

from ..batch.events import AcidPoured, HandDid, LidMoved, SkinFolded

RehearsalOnly = LidMoved | SkinFolded | AcidPoured | HandDid
