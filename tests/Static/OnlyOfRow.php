<?php

declare(strict_types=1);

namespace Tests\Static;

use Illuminate\Database\Eloquent\Model;
use PhpParser\Node\Expr\MethodCall;
use PHPStan\Analyser\Scope;
use PHPStan\Reflection\MethodReflection;
use PHPStan\Type\Constant\ConstantArrayTypeBuilder;
use PHPStan\Type\DynamicMethodReturnTypeExtension;
use PHPStan\Type\Type;

/** `$row->only(['id', 'name'])` has just those fields, each of the type the row declares. */
final class OnlyOfRow implements DynamicMethodReturnTypeExtension
{
    public function getClass(): string
    {
        return Model::class;
    }

    public function isMethodSupported(MethodReflection $methodReflection): bool
    {
        return $methodReflection->getName() === 'only';
    }

    public function getTypeFromMethodCall(
        MethodReflection $methodReflection,
        MethodCall $methodCall,
        Scope $scope,
    ): ?Type {
        $row = $scope->getType($methodCall->var);
        $asked = isset($methodCall->getArgs()[0]) ? $scope->getType($methodCall->getArgs()[0]->value) : null;
        if ($asked === null || count($asked->getConstantArrays()) !== 1) {
            return null;
        }
        $shape = ConstantArrayTypeBuilder::createEmpty();
        foreach ($asked->getConstantArrays()[0]->getValueTypes() as $name) {
            $field = $name->getConstantStrings()[0] ?? null;
            if ($field === null || !$row->hasInstanceProperty($field->getValue())->yes()) {
                return null;
            }
            $shape->setOffsetValueType(
                $field,
                $row->getInstanceProperty($field->getValue(), $scope)->getReadableType(),
            );
        }

        return $shape->getArray();
    }
}
