"""Frames of an animated PNG with the general-purpose library Pillow. In: the file, base64; out: for each its time and its pixels, RGBA row by row."""
import base64
import io
import json
import sys

from PIL import Image, ImageSequence

image = Image.open(io.BytesIO(base64.b64decode(json.load(sys.stdin))))
print(json.dumps([
    {"ms": frame.info["duration"], "size": frame.size, "pixels": [list(pixel) for pixel in frame.convert("RGBA").getdata()]}
    for frame in ImageSequence.Iterator(image)
]))
