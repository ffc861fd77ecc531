"""Curd: milk split with acid and strained to chhena or paneer, and yoghurt hung to thick curd."""
