<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Planning\Kind;

/** What the visit is asked for: by the plan, by the programme, by somebody's hand. */
final readonly class Asked
{
    public Scope $scope;

    /**
     * @param list<Kind>|null $kinds  what is planned; null when nothing was: then the match decides about the topper
     * @param list<string> $taken     products somebody chose by hand, ids; they go before any other that may be used
     * @param array<string, string> $reopened  by Kind value: why it was left out the last time
     */
    public function __construct(
        public ?array $kinds = null,
        ?Scope $scope = null,
        public array $taken = [],
        public array $reopened = [],
    ) {
        $this->scope = $scope ?? Scope::usual();
    }

    public function isPlanned(): bool
    {
        return $this->kinds !== null;
    }

    public function wants(Kind $kind): bool
    {
        return in_array($kind, $this->kinds ?? [], true);
    }

    public function within(Scope $scope): self
    {
        return new self($this->kinds, $scope, $this->taken, $this->reopened);
    }

    /** @param list<Kind>|null $kinds */
    public function holding(?array $kinds): self
    {
        return new self($kinds, $this->scope, $this->taken, $this->reopened);
    }
}
