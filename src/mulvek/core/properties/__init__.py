"""One function a property: density, heat capacity, steam, water activity, freezing, texture, crystals, the lactometer."""
