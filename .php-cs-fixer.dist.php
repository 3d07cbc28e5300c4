<?php

declare(strict_types=1);

use PhpCsFixer\Config;
use PhpCsFixer\Finder;

return (new Config)
    ->setRiskyAllowed(true)
    ->setCacheFile(__DIR__.'/var/stamps/php-cs-fixer.json')
    ->setFinder(Finder::create()->in(array_map(static fn (string $folder): string => __DIR__.'/'.$folder, ['app', 'core', 'database', 'tests', 'routes', 'config'])))
    // How lines are laid out is Prettier's business (.prettierrc.json); here stands what it doesn't look at.
    ->setRules([
        'declare_strict_types' => true,
        'strict_param' => true,
        'no_unused_imports' => true,
        'ordered_imports' => ['sort_algorithm' => 'alpha'],
        'global_namespace_import' => ['import_classes' => true],
        'fully_qualified_strict_types' => ['import_symbols' => true],
        'visibility_required' => true,
        'no_useless_else' => true,
        'no_superfluous_phpdoc_tags' => ['allow_mixed' => true, 'remove_inheritdoc' => true],
    ]);
