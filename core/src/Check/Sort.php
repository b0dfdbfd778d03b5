<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

/** All that the checks find, by the code that programs know it by. */
enum Sort: string
{
    case AlmostSquare = 'almost-square';
    case ManyCells = 'many-cells';
    case Sliver = 'sliver';
    case Doubled = 'doubled';
    case AlmostTouching = 'almost-touching';
    case NearMiss = 'near-miss';
    case AlmostEqual = 'almost-equal';
    case AlmostTangent = 'almost-tangent';
    case Sharp = 'sharp';
    case SpareNode = 'spare-node';
    case AlmostMeeting = 'almost-meeting';
    case Ajar = 'ajar';
    case CopiesMiss = 'copies-miss';
    case CopiesOverlap = 'copies-overlap';
    case Astride = 'astride';
    case Stripe = 'stripe';
    case BrokenPixels = 'broken-pixels';
    case DoubledCorner = 'doubled-corner';
    case UnevenRuns = 'uneven-runs';
    case StrayPixel = 'stray-pixel';
    case PixelHole = 'pixel-hole';
    case HardEdge = 'hard-edge';
    case Banding = 'banding';
    case ManyColours = 'many-colours';
    case AlikeColours = 'alike-colours';
    case Closes = 'closes';
    case Hidden = 'hidden';
    case Vanishes = 'vanishes';
    case Unchecked = 'unchecked';
    case More = 'more';
}
