<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** How much of the vehicle a visit takes in: quick, usual, full, or a set of one's own (domain §15.1). */
final readonly class Scope
{
    private const NAMED = [
        'quick' => [Item::Paint, Item::Glass],
        'usual' => [Item::Paint, Item::Wheels, Item::Glass, Item::Jambs, Item::Tyres],
        'full' => [
            Item::Paint,
            Item::Wheels,
            Item::Glass,
            Item::Jambs,
            Item::Tyres,
            Item::Arches,
            Item::Trim,
            Item::Dressing,
        ],
    ];

    /** @param list<Item> $items */
    private function __construct(
        /** quick, usual, full or own */
        public string $name,
        public array $items,
    ) {}

    public static function quick(): self
    {
        return new self('quick', self::NAMED['quick']);
    }

    public static function usual(): self
    {
        return new self('usual', self::NAMED['usual']);
    }

    public static function full(): self
    {
        return new self('full', self::NAMED['full']);
    }

    /**
     * @param list<Item> $items  in any order
     *
     * @throws InvalidInput when the paint is not among them: a visit is always a wash
     */
    public static function own(array $items): self
    {
        if (!in_array(Item::Paint, $items, true)) {
            throw InvalidInput::at('scope', Said::of('fault.scope-paint'));
        }

        return new self(
            'own',
            array_values(array_filter(Item::cases(), static fn(Item $item): bool => in_array($item, $items, true))),
        );
    }

    /**
     * By its name, or by what it takes in, with commas.
     *
     * @throws InvalidInput
     */
    public static function of(string $written): self
    {
        if (isset(self::NAMED[$written])) {
            return new self($written, self::NAMED[$written]);
        }
        $items = [];
        foreach (explode(',', $written) as $name) {
            $items[] =
                Item::tryFrom(trim($name)) ??
                throw InvalidInput::at(
                    'scope',
                    Said::of('fault.scope', items: implode(', ', array_column(Item::cases(), 'value'))),
                );
        }

        return self::own($items);
    }

    public function has(Item $item): bool
    {
        return in_array($item, $this->items, true);
    }

    /** Short looks, the method's own towels, wheels in passing. */
    public function isQuick(): bool
    {
        return $this->name === 'quick';
    }

    /** As `of` reads it. */
    public function written(): string
    {
        return $this->name === 'own'
            ? implode(',', array_map(static fn(Item $item): string => $item->value, $this->items))
            : $this->name;
    }
}
