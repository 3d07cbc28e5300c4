<?php

declare(strict_types=1);

// The mutant is declared before anybody asks for the class it lies about.
require dirname(__DIR__, 2) . '/vendor/autoload.php';
$mutant = getenv('MUTANT');
if (is_string($mutant) && $mutant !== '') {
    require $mutant;
}
