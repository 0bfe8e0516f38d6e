<?php

declare(strict_types=1);

namespace App\Fields;

use Cairnfield\Core\Text\Folding;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What is written in the store's own fields, read and kept.
 */
final class OwnFields
{
    /**
     * Those of conversations, by their folded names.
     *
     * @return array<string, OwnField>
     */
    public static function ofConversations(): array
    {
        return OwnField::inUse()
            ->where('about', About::Conversation)
            ->get()
            ->keyBy(static fn (OwnField $field): string => Folding::fold($field->name))
            ->all();
    }

    /**
     * The fields of one thing with what is written in them; retired ones only where something is.
     *
     * @return list<array{field: OwnField, values: list<string>}>
     */
    public function of(About $about, int $id): array
    {
        $fields = OwnField::query()->where('about', $about)->orderBy('position')->orderBy('id')
            ->with(['values' => static fn ($values) => $values->where('about_id', $id)->orderBy('position')])->get();

        return array_values($fields
            ->reject(static fn (OwnField $field): bool => $field->retired_at !== null && $field->values->isEmpty())
            ->map(static fn (OwnField $field): array => ['field' => $field, 'values' => self::shown($field, $field->values)])->all());
    }

    /**
     * Those of a conversation, of its customer and of the customer's company, asked for together.
     *
     * @return array{ownFields: list<array{field: OwnField, values: list<string>}>,
     *   customerFields: list<array{field: OwnField, values: list<string>}>,
     *   companyFields: list<array{field: OwnField, values: list<string>}>}
     */
    public function ofAll(int $conversation, int $customer, ?int $company): array
    {
        $ids = [
            About::Conversation->value => $conversation, About::Customer->value => $customer,
            ...($company === null ? [] : [About::Company->value => $company]),
        ];
        $fields = OwnField::query()->whereIn('about', array_keys($ids))->orderBy('position')->orderBy('id')
            ->with(['values' => static fn ($values) => $values->whereIn('about_id', array_values($ids))->orderBy('position')])->get();
        $of = static fn (About $about): array => array_values($fields
            ->where('about', $about)
            ->map(static fn (OwnField $field): array => [
                'field' => $field,
                'values' => self::shown($field, $field->values->where('about_id', $ids[$about->value])->values()),
            ])
            ->reject(static fn (array $one): bool => $one['field']->retired_at !== null && $one['values'] === [])
            ->all());

        return [
            'ownFields' => $of(About::Conversation), 'customerFields' => $of(About::Customer), 'companyFields' => $of(About::Company),
        ];
    }

    /**
     * @param  Collection<int, OwnValue>  $values
     * @return list<string>
     */
    public static function shown(OwnField $field, Collection $values): array
    {
        return array_values($values->map(static fn (OwnValue $value): string => $field->kind->show($value->text, $value->number))->all());
    }

    /**
     * What is written about many, asked for once.
     *
     * @param  list<int>  $ids
     * @return array<int, array<string, list<string>>> by what it is about, the word of the field, and its values
     */
    public function ofMany(About $about, array $ids): array
    {
        $written = [];
        $fields = OwnField::query()->where('about', $about)->orderBy('position')->orderBy('id')
            ->with(['values' => static fn ($values) => $values->whereIn('about_id', $ids)->orderBy('about_id')->orderBy('position')])
            ->get();
        foreach ($fields as $field) {
            foreach ($field->values as $value) {
                $written[$value->about_id][$field->word][] = $field->kind->show($value->text, $value->number);
            }
        }

        return $written;
    }

    /**
     * Keeps what was written, in place of what was there.
     *
     * @param  string|list<string>|null  $written
     * @return array{string, string}|null what was shown before and is now; null where nothing changed
     *
     * @throws FieldRefused when it does not fit
     */
    public function keep(OwnField $field, int $aboutId, string|array|null $written): ?array
    {
        $rows = $field->kind->read($written, $field->choices, $field->name);
        if ($rows !== [] && $field->retired_at !== null) {
            throw FieldRefused::retired($field->name);
        }

        return DB::transaction(static function () use ($field, $aboutId, $rows): ?array {
            $before = self::shown(
                $field,
                OwnValue::query()
                    ->where('own_field_id', $field->id)
                    ->where('about_id', $aboutId)
                    ->orderBy('position')
                    ->lockForUpdate()
                    ->get()
            );
            $after = array_map(static fn (array $row): string => $field->kind->show($row['text'], $row['number']), $rows);
            if ($before === $after) {
                return null;
            }
            // The first place first: whoever keeps something else in this moment waits there, and replaces all of it then.
            OwnValue::query()->upsert(array_map(
                static fn (array $row, int $position): array => [
                    'own_field_id' => $field->id, 'about_id' => $aboutId, 'position' => $position, ...$row,
                ],
                $rows,
                array_keys($rows),
            ), ['own_field_id', 'about_id', 'position'], ['text', 'folded', 'number']);
            OwnValue::query()->where('own_field_id', $field->id)->where('about_id', $aboutId)
                ->where('position', '>=', count($rows))->delete();

            return [implode(', ', $before), implode(', ', $after)];
        }, 3);
    }

    /**
     * Required fields of a conversation in which nothing is written.
     *
     * @return list<string> their names
     */
    public function missingToResolve(int $conversationId): array
    {
        return array_values(OwnField::inUse()->where('about', About::Conversation)->where('required_to_resolve', true)
            ->whereDoesntHave('values', static fn ($values) => $values->where('about_id', $conversationId))
            ->pluck('name')->all());
    }
}
