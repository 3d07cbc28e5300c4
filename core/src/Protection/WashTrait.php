<?php

declare(strict_types=1);

namespace Vicissa\Core\Protection;

/** What made a wash harder or gentler on a layer. A wash may have several; the hardest counts. */
enum WashTrait: string
{
    case Touchless = 'touchless';
    case Rinseless = 'rinseless';
    case Contact = 'contact';
    case Waterless = 'waterless';
    case AlkalinePrewash = 'alkaline-prewash';
    case IronRemover = 'iron-remover';
    case MachineBrush = 'machine-brush';
    case Clay = 'clay';
    case StrippingCleaner = 'stripping-cleaner';
}
