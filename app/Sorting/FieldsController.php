<?php

declare(strict_types=1);

namespace App\Sorting;

use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnField;
use App\Fields\OwnValue;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final readonly class FieldsController
{
    use SortsThings;

    private const HERE = '/sorting/fields';

    public function __construct(private ArrangeFields $arrange, private WhoMayRead $whoMayRead) {}

    public function index(): View
    {
        $fields = OwnField::query()->withCount(['values' => $this->ofWhatIsRead(...)])->orderBy('position')->orderBy('id')->get();

        return view('sorting.fields', [
            'fields' => $fields->whereNull('retired_at'),
            'retired' => $fields->whereNotNull('retired_at'),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $written = $request->validate([
            'about' => ['required', Rule::enum(About::class)],
            'kind' => ['required', Rule::enum(FieldKind::class)],
            ...$this->rules(),
        ]);

        return $this->attempt(fn () => $this->arrange->make(
            About::from($written['about']),
            trim($written['name']),
            FieldKind::from($written['kind']),
            $this->choices($written),
            $request->boolean('required'),
        ), self::HERE, "“{$written['name']}” is there now.");
    }

    public function update(Request $request, OwnField $field): RedirectResponse
    {
        $written = $request->validate($this->rules());

        return $this->attempt(
            fn () => $this->arrange->change($field, trim($written['name']), $this->choices($written), $request->boolean('required')),
            self::HERE, 'Saved.'
        );
    }

    public function retire(OwnField $field): RedirectResponse
    {
        return $this->attempt(
            fn () => $this->arrange->retire($field), self::HERE,
            "“{$field->name}” is retired. What was written in it stays to be read."
        );
    }

    public function bringBack(OwnField $field): RedirectResponse
    {
        return $this->attempt(fn () => $this->arrange->bringBack($field), self::HERE, "“{$field->name}” can be filled in again.");
    }

    /**
     * @return array<string, list<string>>
     */
    private function rules(): array
    {
        return ['name' => ['required', 'string', 'max:60'], 'choices' => ['nullable', 'string', 'max:10000']];
    }

    /**
     * @param  array<string, mixed>  $written
     * @return list<string>
     */
    private function choices(array $written): array
    {
        return explode("\n", (string) ($written['choices'] ?? ''));
    }

    /**
     * @param  Builder<OwnValue>  $values
     */
    private function ofWhatIsRead(Builder $values): void
    {
        $values->where(function (Builder $any): void {
            $any->whereRaw('own_fields.about <> ?', [About::Conversation->value])->orWhere($this->read(...));
        });
    }

    /**
     * @param  Builder<OwnValue>  $values  of conversations
     */
    private function read(Builder $values): void
    {
        $this->whoMayRead->narrowWhatTellsOf($values, 'own_values.about_id');
    }
}
