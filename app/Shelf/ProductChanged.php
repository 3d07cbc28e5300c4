<?php

declare(strict_types=1);

namespace App\Shelf;

/** What is written on a label has been saved; whoever has drawn something from it may look again. */
final readonly class ProductChanged
{
    /** @param list<string> $facts  that are different now */
    private function __construct(public string $workspaceId, public string $productId, public array $facts) {}

    public static function of(Product $product): self
    {
        return new self($product->workspace_id, $product->id, array_keys($product->getChanges()));
    }
}
