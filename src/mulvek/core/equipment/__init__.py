"""The kitchen and its things: pans, burners, moulds, slabs, cups and the words for amounts."""
