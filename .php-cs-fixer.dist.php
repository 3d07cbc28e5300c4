<?php

declare(strict_types=1);

use PhpCsFixer\Config;
use PhpCsFixer\Finder;

return (new Config)
    ->setRiskyAllowed(true)
    ->setCacheFile(__DIR__.'/var/stamps/php-cs-fixer.json')
    ->setFinder(Finder::create()->in(array_map(static fn (string $folder): string => __DIR__.'/'.$folder, ['app', 'core', 'database', 'tests', 'routes', 'config'])))
    ->setRules([
        '@PER-CS2.0' => true,
        'declare_strict_types' => true,
        'strict_param' => true,
        'no_unused_imports' => true,
        'ordered_imports' => ['sort_algorithm' => 'alpha'],
        'new_with_parentheses' => ['named_class' => false],
        'concat_space' => ['spacing' => 'none'],
        'single_line_empty_body' => true,
        'global_namespace_import' => ['import_classes' => true],
        'fully_qualified_strict_types' => ['import_symbols' => true],
        'phpdoc_align' => false,
    ]);
