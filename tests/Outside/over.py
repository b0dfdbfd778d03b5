"""Lays pairs of colours over one another: pairs of source and backdrop, #rrggbbaa, in, red, green, blue and alpha out."""

import json
import sys

from PIL import Image, ImageChops

pairs = json.load(sys.stdin)
colours = lambda at: [tuple(bytes.fromhex(pair[at][1:])) for pair in pairs]


def row(pixels):
    image = Image.new("RGBA", (len(pixels), 1))
    image.putdata(pixels)
    return image


source, backdrop = row(colours(0)), row(colours(1))
blends = {"multiply": ImageChops.multiply, "screen": ImageChops.screen, "darken": ImageChops.darker, "lighten": ImageChops.lighter}
print(json.dumps({
    "over": list(Image.alpha_composite(backdrop, source).getdata()),
    **{name: list(blend(backdrop.convert("RGB"), source.convert("RGB")).getdata()) for name, blend in blends.items()},
}))
