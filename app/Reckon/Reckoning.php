<?php

declare(strict_types=1);

namespace App\Reckon;

use App\Says\Teller;
use Closure;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Units\Measures;

/** The models by name. */
final readonly class Reckoning
{
    /** @var array<string, Model> */
    private array $models;

    /** @param list<Model> $models */
    public function __construct(array $models)
    {
        $this->models = array_column(
            array_map(static fn(Model $model): array => [$model->name(), $model], $models),
            1,
            0,
        );
    }

    private function teller(): Teller
    {
        return app(Teller::class);
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->models);
    }

    public function knows(string $model): bool
    {
        return isset($this->models[$model]);
    }

    /**
     * @param mixed $item  one decoded JSON value
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public function one(string $model, mixed $item): array
    {
        if (!is_array($item) || ($item !== [] && array_is_list($item))) {
            throw InvalidInput::at('', Said::of('input.item'));
        }

        $input = new Input($item);
        $answer = $this->models[$model]->reckon($input);
        $measures = $input->choiceOrNull('units', Measures::class) ?? Measures::Metric;
        /** @var array<string, mixed> $told */
        $told = (new Teller($this->teller()->language, $measures))->everywhere($answer);

        return $told;
    }

    /**
     * @param array<array-key, mixed> $items
     * @param (Closure(): void)|null $between  asked before each of them; may throw
     * @return array{results: list<array<string, mixed>>, clean: bool} results in order, errors in their places
     */
    public function all(string $model, array $items, ?Closure $between = null): array
    {
        $results = [];
        $clean = true;
        foreach ($items as $item) {
            if ($between !== null) {
                $between();
            }
            try {
                $result = $this->one($model, $item);
            } catch (InvalidInput $e) {
                $result = ['error' => 'invalid', 'field' => $e->field, 'message' => $this->teller()->tell($e->says)];
            }
            $clean = $clean && !isset($result['error']);
            $results[] = $result;
        }

        return ['results' => $results, 'clean' => $clean];
    }
}
