<?php

declare(strict_types=1);

namespace Sternbild\Core\Check;

/** What is looked at by a check, in the order in which it is. */
enum Subject
{
    /** What each step comes to. */
    case Steps;
    /** Guides among one another, up to some hundreds of them. */
    case Guides;
    /** What is drawn, piece by piece, where it is few enough to be a mark. */
    case Figures;
    /** The colours that are drawn. */
    case Colours;
}
