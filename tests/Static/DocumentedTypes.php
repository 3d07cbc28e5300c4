<?php

declare(strict_types=1);

namespace Tests\Static;

use PHPStan\Analyser\NameScope;
use PHPStan\PhpDoc\TypeNodeResolverExtension;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprStringNode;
use PHPStan\PhpDocParser\Ast\Type\ConstTypeNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;
use PHPStan\Type\Accessory\AccessoryArrayListType;
use PHPStan\Type\ArrayType;
use PHPStan\Type\BooleanType;
use PHPStan\Type\Constant\ConstantArrayTypeBuilder;
use PHPStan\Type\Constant\ConstantStringType;
use PHPStan\Type\FloatType;
use PHPStan\Type\IntegerType;
use PHPStan\Type\MixedType;
use PHPStan\Type\NullType;
use PHPStan\Type\ObjectType;
use PHPStan\Type\ObjectWithoutClassType;
use PHPStan\Type\StringType;
use PHPStan\Type\Type;
use PHPStan\Type\TypeCombinator;
use RuntimeException;
use Vicissa\Core\Says\Said;

/**
 * `Told<'Money'>` is an array of the shape that the API document calls Money: what the document promises is what the
 * static analysis holds the code to; `Told<'Match', 'totals'|'problem'>` lacks those two. A string that the document marks `x-said` may be a code until it leaves the house.
 */
final class DocumentedTypes implements TypeNodeResolverExtension
{
    public const DOCUMENT = __DIR__ . '/../../docs/openapi.json';

    /** @var array<string, array<string, mixed>>|null */
    private ?array $schemas = null;

    public function resolve(TypeNode $typeNode, NameScope $nameScope): ?Type
    {
        if (!($typeNode instanceof GenericTypeNode) || (string) $typeNode->type !== 'Told') {
            return null;
        }
        $name = $typeNode->genericTypes[0] ?? null;
        if (!($name instanceof ConstTypeNode) || !($name->constExpr instanceof ConstExprStringNode)) {
            return null;
        }

        $shape = $this->named($name->constExpr->value, []);
        $without = $typeNode->genericTypes[1] ?? null;
        foreach ($without instanceof UnionTypeNode ? $without->types : array_filter([$without]) as $field) {
            if ($field instanceof ConstTypeNode && $field->constExpr instanceof ConstExprStringNode) {
                $shape = $shape->unsetOffset(new ConstantStringType($field->constExpr->value));
            }
        }

        return $shape;
    }

    /** @param list<string> $within  the shapes it stands in, outermost first: one that holds itself ends there */
    private function named(string $name, array $within): Type
    {
        if ($this->schemas === null) {
            $document = json_decode((string) file_get_contents(self::DOCUMENT), true, 512, JSON_THROW_ON_ERROR);
            $this->schemas = $document['components']['schemas'];
        }
        $schema = $this->schemas[$name] ?? throw new RuntimeException("The API document has no shape {$name}.");

        return in_array($name, $within, true) ? $this->anything() : $this->type($schema, [...$within, $name]);
    }

    /**
     * @param array<string, mixed> $schema
     * @param list<string> $within
     */
    private function type(array $schema, array $within): Type
    {
        if (is_string($schema['$ref'] ?? null)) {
            return $this->named(substr($schema['$ref'], (int) strrpos($schema['$ref'], '/') + 1), $within);
        }
        if (is_array($schema['oneOf'] ?? null)) {
            return TypeCombinator::union(
                ...array_map(fn(array $one): Type => $this->type($one, $within), $schema['oneOf']),
            );
        }

        return TypeCombinator::union(
            ...array_map(
                fn(string $type): Type => match ($type) {
                    'string' => isset($schema['x-said'])
                        ? TypeCombinator::union(new StringType(), new ObjectType(Said::class))
                        : new StringType(),
                    'integer' => new IntegerType(),
                    'number' => TypeCombinator::union(new FloatType(), new IntegerType()),
                    'boolean' => new BooleanType(),
                    'null' => new NullType(),
                    'array' => TypeCombinator::intersect(
                        new ArrayType(
                            new IntegerType(),
                            is_array($schema['items'] ?? null)
                                ? $this->type($schema['items'], $within)
                                : new MixedType(true),
                        ),
                        new AccessoryArrayListType(),
                    ),
                    'object' => $this->shape($schema, $within),
                    default => new MixedType(true),
                },
                (array) ($schema['type'] ?? 'anything'),
            ),
        );
    }

    /**
     * @param array<string, mixed> $schema
     * @param list<string> $within
     */
    private function shape(array $schema, array $within): Type
    {
        $properties = $schema['properties'] ?? [];
        if (is_array($schema['additionalProperties'] ?? null)) {
            return TypeCombinator::union(
                new ArrayType(new MixedType(true), $this->type($schema['additionalProperties'], $within)),
                new ObjectWithoutClassType(),
            );
        }
        if (!is_array($properties) || $properties === []) {
            return $this->anything();
        }
        $required = $schema['required'] ?? [];
        $shape = ConstantArrayTypeBuilder::createEmpty();
        foreach ($properties as $name => $property) {
            $shape->setOffsetValueType(
                new ConstantStringType((string) $name),
                $this->type($property, $within),
                !is_array($required) || !in_array($name, $required, true),
            );
        }

        // What may lack all it has is sent as an object, so that it is one when it is empty.
        return $required === []
            ? TypeCombinator::union($shape->getArray(), new ObjectWithoutClassType())
            : $shape->getArray();
    }

    private function anything(): Type
    {
        return TypeCombinator::union(
            new ArrayType(new StringType(), new MixedType(true)),
            new ObjectWithoutClassType(),
        );
    }
}
