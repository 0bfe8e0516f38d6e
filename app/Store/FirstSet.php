<?php

declare(strict_types=1);

namespace App\Store;

use App\Rules\ReadyMade;
use App\Rules\Rule;
use App\Sorting\Category;
use App\Sorting\KnownOutcome;
use App\Sorting\Outcome;
use App\Team\Teammate;
use App\Templates\SaveTemplate;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Illuminate\Support\Facades\DB;

/**
 * Categories, outcomes, templates and rules that most stores begin with, in the language of the store. Taken twice, nothing is there
 * twice: what has the name already is left as it is.
 */
final readonly class FirstSet
{
    public const PARTS = ['categories', 'outcomes', 'templates', 'rules'];

    /** Off, until somebody has looked at them. */
    private const RULES = ['receipt-open', 'receipt-away', 'reopened', 'nobodys-due', 'close'];

    /**
     * @param  array{
     *     team: string, categories: array<string, array<string, string>>, outcomes: array<string, string>,
     *     templates: list<array{string, string, string}>
     * }  $set
     */
    private function __construct(private string $language, private array $set) {}

    /**
     * In the language of the store; where there is none in that, in English.
     */
    public static function current(): self
    {
        $language = Store::current()->language;
        $file = __DIR__."/data/first-set.{$language}.php";
        $has = preg_match('/^[a-z]{2}$/D', $language) === 1 && is_file($file);

        return new self($has ? $language : 'en', require $has ? $file : __DIR__.'/data/first-set.en.php');
    }

    public function team(): string
    {
        return $this->set['team'];
    }

    /**
     * What there is in each part, for whoever chooses.
     *
     * @return array<string, list<string>>
     */
    public function names(ReadyMade $readyMade): array
    {
        return [
            'categories' => array_merge(...array_map(array_keys(...), array_values($this->set['categories']))),
            'outcomes' => array_values($this->set['outcomes']),
            'templates' => array_column($this->set['templates'], 0),
            'rules' => array_map(static fn (string $key): string => $readyMade->all()[$key][0], self::RULES),
        ];
    }

    /**
     * @param  list<string>  $parts  of PARTS
     * @return list<string> what was made, in words
     */
    public function take(array $parts, Teammate $teammate): array
    {
        return DB::transaction(function () use ($parts, $teammate): array {
            // Two at once, and the second finds what the first has made.
            Teammate::query()->lockForUpdate()->findOrFail($teammate->id);
            $made = [];
            foreach (array_intersect(self::PARTS, $parts) as $part) {
                $count = match ($part) {
                    'categories' => $this->takeCategories(),
                    'outcomes' => $this->takeOutcomes(),
                    'templates' => $this->takeTemplates($teammate),
                    default => $this->takeRules($teammate),
                };
                $count === 0 ?: $made[] = "{$count} {$part}".($part === 'rules' ? ', which are off until you switch them on' : '');
            }

            return $made;
        });
    }

    private function takeCategories(): int
    {
        $position = (int) Category::query()->max('position');
        $made = 0;
        foreach ($this->set['categories'] as $parentName => $children) {
            $parent = Category::query()->where('path', $parentName)->first() ?? Category::query()->create([
                'name' => $parentName, 'customer_name' => $parentName, 'path' => $parentName, 'position' => ++$position,
            ]);
            foreach ($children as $name => $customerName) {
                $path = "{$parentName} › {$name}";
                if (Category::query()->where('path', $path)->doesntExist()) {
                    Category::query()->create([
                        'parent_id' => $parent->id, 'name' => $name, 'customer_name' => $customerName, 'path' => $path,
                        'position' => ++$position,
                    ]);
                    $made++;
                }
            }
        }

        return $made;
    }

    private function takeOutcomes(): int
    {
        $position = (int) Outcome::query()->max('position');
        $made = 0;
        foreach ($this->set['outcomes'] as $key => $name) {
            $known = KnownOutcome::tryFrom((string) $key);
            $is = Outcome::query()->where('name', $name);
            if ($known !== null ? (clone $is)->orWhere('key', $known->value)->exists() : (clone $is)->exists()) {
                continue;
            }
            (new Outcome)->forceFill(['name' => $name, 'position' => ++$position, 'key' => $known?->value])->save();
            $made++;
        }

        return $made;
    }

    private function takeTemplates(Teammate $teammate): int
    {
        $made = 0;
        foreach ($this->set['templates'] as [$name, $folder, $text]) {
            if (Template::query()->whereNull('retired_at')->where('name', $name)->exists()) {
                continue;
            }
            $texts = [$this->language => ['subject' => null, 'text' => $text, 'html' => null]];
            app(SaveTemplate::class)->save(
                null, new TemplateToSave($name, $folder, SharedWith::Everybody, null, $texts, [], []), $teammate
            );
            $made++;
        }

        return $made;
    }

    private function takeRules(Teammate $teammate): int
    {
        $readyMade = app(ReadyMade::class);
        $made = 0;
        foreach (self::RULES as $key) {
            if (Rule::query()->whereNull('retired_at')->where('name', $readyMade->all()[$key][0])->doesntExist()) {
                $readyMade->make($key, $teammate);
                $made++;
            }
        }

        return $made;
    }
}
