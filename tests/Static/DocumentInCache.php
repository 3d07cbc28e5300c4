<?php

declare(strict_types=1);

namespace Tests\Static;

use PHPStan\Analyser\ResultCache\ResultCacheMetaExtension;

/** What was analysed by another document is analysed anew. */
final class DocumentInCache implements ResultCacheMetaExtension
{
    public function getKey(): string
    {
        return 'api-document';
    }

    public function getHash(): string
    {
        return (string) hash_file('sha256', DocumentedTypes::DOCUMENT);
    }
}
