"""What goes in and out as a file: readings as CSV, a dip-stick as PDF and SVG with the fonts it is printed in."""
