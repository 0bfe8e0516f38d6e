<?php

declare(strict_types=1);

namespace App\SetUp;

use App\Team\Teammate;
use Cairnfield\Core\Text\Folding;
use Closure;
use Illuminate\Support\Facades\Gate;

/**
 * A page on which something is arranged.
 */
final class SetUpPage
{
    /** @var array{string|null}|null what wants a look, asked once */
    private ?array $wanted = null;

    /**
     * @param  string  $about  what it is for, in one sentence
     * @param  list<string>  $settings  what is set there, in words that somebody would look for
     * @param  string|null  $ability  that one needs to open it; null for everybody
     * @param  (Closure(): string)|null  $count  how much there is, asked only where it is shown
     * @param  (Closure(): ?string)|null  $wants  what wants a look, asked only where it is shown; null from it where nothing does
     */
    public function __construct(
        public readonly SetUpGroup $group,
        public readonly string $title,
        public readonly string $address,
        public readonly string $about,
        public readonly array $settings = [],
        private readonly ?string $ability = null,
        private readonly ?Closure $count = null,
        private readonly ?Closure $wants = null,
    ) {}

    public function isFor(Teammate $teammate): bool
    {
        return $this->ability === null || Gate::forUser($teammate)->allows($this->ability);
    }

    public function count(): string
    {
        return $this->count === null ? '' : ($this->count)();
    }

    public function wants(): ?string
    {
        $this->wanted ??= [$this->wants === null ? null : ($this->wants)()];

        return $this->wanted[0];
    }

    /**
     * Whether an address is that of this page, or of one below it.
     */
    public function holds(string $path): bool
    {
        $own = ltrim($this->address, '/');

        return $path === $own || str_starts_with($path, "{$own}/");
    }

    /**
     * Which of the settings of this page are meant by all words that are looked for.
     *
     * @param  string  $folded  words, folded
     * @return list<string>|null null where the page does not fit; empty where its name or its sentence does
     */
    public function found(string $folded): ?array
    {
        $words = preg_split('/\s+/', $folded, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (self::has("{$this->title} {$this->about}", $words)) {
            return [];
        }
        $settings = array_values(array_filter($this->settings, static fn (string $setting): bool => self::has($setting, $words)));

        return match (true) {
            $settings !== [] => $settings,
            self::has("{$this->title} {$this->about} ".implode(' ', $this->settings), $words) => [],
            default => null,
        };
    }

    /**
     * @param  list<string>  $words  each of them begins a word of the text
     */
    private static function has(string $text, array $words): bool
    {
        $text = ' '.preg_replace('/[^\p{L}\p{N}]+/u', ' ', Folding::fold($text));

        return array_filter($words, static fn (string $word): bool => ! str_contains($text, " {$word}")) === [];
    }
}
