<?php

declare(strict_types=1);

namespace App\Queue;

use App\Conversations\Conversation;
use App\Sorting\ArrangeCategories;
use App\Support\Written;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;

/**
 * What the queue is narrowed to, as it stands in the address.
 */
final readonly class QueueFilter
{
    public const MOST_ROWS = 1000;

    private function __construct(
        public ?int $account,
        public ?int $category,
        public ?string $owner,
        public int $rows,
    ) {}

    public static function fromRequest(Request $request): self
    {
        $number = static fn (string $name): ?int => Written::number($request, $name);
        $owner = $request->query('owner');

        return new self(
            $number('account'),
            $number('category'),
            $owner === 'nobody' || (is_string($owner) && ctype_digit($owner)) ? $owner : null,
            min(self::MOST_ROWS, max(self::usualRows(), $number('rows') ?? 0)),
        );
    }

    /**
     * Narrows by account and category; a category counts with all below it and all that was merged into it.
     *
     * @param  Builder<Conversation>  $query
     */
    public function narrow(Builder $query): void
    {
        if ($this->account !== null) {
            $query->where('account_id', $this->account);
        }
        if ($this->category !== null) {
            $query->whereIn('category_id', ArrangeCategories::withAllUnder([$this->category]));
        }
    }

    /**
     * @return array<string, int|string>
     */
    public function query(): array
    {
        return array_filter([
            'account' => $this->account,
            'category' => $this->category,
            'owner' => $this->owner,
            'rows' => $this->rows === self::usualRows() ? null : $this->rows,
        ], static fn (int|string|null $value): bool => $value !== null);
    }

    public function isNarrowed(): bool
    {
        return $this->account !== null || $this->category !== null || $this->owner !== null;
    }

    private static function usualRows(): int
    {
        return (int) config('cairnfield.queue.rows');
    }
}
