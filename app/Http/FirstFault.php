<?php

declare(strict_types=1);

namespace App\Http;

use App\Says\Teller;
use Illuminate\Validation\Validator;

/** One fault a field: what is no date is not compared with a date, nor looked up as an id. */
final class FirstFault extends Validator
{
    /** Set on a request whose fields were looked at. */
    private const LOOKED = 'vicissa.fields';

    /**
     * A field that no rule knows is refused, never dropped: whoever sends it believes that it counts. A request's first
     * rules name all its fields.
     */
    public function passes()
    {
        $request = request();
        $first = !$request->attributes->has(self::LOOKED);
        $request->attributes->set(self::LOOKED, true);
        if (
            $first &&
            $request->isJson() &&
            in_array($request->method(), ['POST', 'PUT', 'PATCH'], true) &&
            $this->getData() === $request->all()
        ) {
            $body = $request->json()->all();
            foreach (self::unknown($body, $this->initialRules) as $field) {
                $this->after(
                    static fn(Validator $validator) => $validator
                        ->errors()
                        ->add($field, Teller::here()->say('problem.no-field')),
                );
            }
        }

        return parent::passes();
    }

    /**
     * @param array<array-key, mixed> $body
     * @param array<array-key, mixed> $rules
     * @return list<string> fields that stand in no rule
     */
    private static function unknown(array $body, array $rules): array
    {
        $tops = $lists = [];
        foreach ($rules as $field => $rule) {
            $parts = explode('.', (string) $field);
            $tops[$parts[0]] = true;
            // "readings.*.stage": what a member of the list may hold.
            if (count($parts) === 3 && $parts[1] === '*') {
                $lists[$parts[0]][$parts[2]] = true;
            }
        }
        $unknown = array_map(strval(...), array_keys(array_diff_key($body, $tops)));
        foreach ($lists as $list => $known) {
            foreach (is_array($body[$list] ?? null) ? $body[$list] : [] as $i => $member) {
                foreach (is_array($member) ? array_keys(array_diff_key($member, $known)) : [] as $field) {
                    $unknown[] = "{$list}.{$i}.{$field}";
                }
            }
        }

        return $unknown;
    }

    protected function shouldStopValidating($attribute)
    {
        return $this->messages->has($this->replacePlaceholderInString($attribute)) ||
            parent::shouldStopValidating($attribute);
    }
}
