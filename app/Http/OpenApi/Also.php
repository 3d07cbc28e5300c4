<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use LogicException;
use ReflectionClass;

/** In a shape: all that another one has. Its fields stand in the document as if they had been written out. */
final readonly class Also
{
    /**
     * @param class-string $where the class that carries it
     */
    public function __construct(private string $where, private string $shape) {}

    /** @return list<Field> */
    public function fields(): array
    {
        foreach ((new ReflectionClass($this->where))->getAttributes(Shape::class) as $one) {
            $says = $one->getArguments();
            if (array_shift($says) === $this->shape) {
                return Shape::spread($says);
            }
        }

        throw new LogicException("{$this->where} carries no shape {$this->shape}.");
    }
}
