<?php

declare(strict_types=1);

namespace App\Channels\WebForm;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Fields\OwnFields;
use App\Returns\ReturnReason;
use App\Sorting\Category;
use Cairnfield\Core\Text\Folding;
use Illuminate\Database\Eloquent\Collection;

/**
 * A form on the shop's page, as an administrator has set it up.
 */
final readonly class Form
{
    /**
     * @param  list<array{label: string, required: bool, choices: list<string>}>  $fields  the team's own; with choices where a
     *   field of the store's own has the same name
     */
    private function __construct(
        public Account $account,
        public string $title,
        public string $introduction,
        public array $fields,
        public bool $sendsReceipt,
        public bool $asksReturns,
    ) {}

    public static function of(Account $account): self
    {
        $settings = $account->settings;

        return new self(
            $account,
            (string) ($settings['title'] ?? 'Write to us'),
            (string) ($settings['introduction'] ?? ''),
            self::fieldsFrom((string) ($settings['fields'] ?? '')),
            (bool) ($settings['receipt'] ?? true),
            (bool) ($settings['returns'] ?? true),
        );
    }

    /**
     * Where customers write anew; null where there is no form.
     */
    public static function link(): ?string
    {
        $name = Account::query()->where('channel', Channel::WebForm)->where('state', AccountState::Active)->orderBy('id')->value('address');

        return $name === null ? null : rtrim((string) config('app.url'), '/')."/forms/{$name}";
    }

    public static function named(string $name): ?self
    {
        $account = Account::query()
            ->where('channel', Channel::WebForm)
            ->where('address', $name)
            ->where('state', AccountState::Active)
            ->first();

        return $account === null ? null : self::of($account);
    }

    /**
     * One field a line; a star after it makes it required.
     *
     * @return list<array{label: string, required: bool, choices: list<string>}>
     */
    private static function fieldsFrom(string $written): array
    {
        $fields = [];
        $own = OwnFields::ofConversations();
        foreach (preg_split('/\R/', $written) ?: [] as $line) {
            $label = trim(rtrim(trim($line), '*'));
            if ($label !== '' && count($fields) < 12) {
                $fields[] = [
                    'label' => mb_substr($label, 0, 80), 'required' => str_ends_with(trim($line), '*'),
                    'choices' => ($own[Folding::fold($label)] ?? null)->choices ?? [],
                ];
            }
        }

        return $fields;
    }

    /**
     * What it may be about, in the customers' words.
     *
     * @return Collection<int, Category>
     */
    public function categories(): Collection
    {
        return Category::inUse()->whereNotNull('parent_id')->where('hidden', false)->get();
    }

    /**
     * Why something may come back, as the store's policies know it.
     *
     * @return Collection<int, ReturnReason>
     */
    public function returnReasons(): Collection
    {
        return $this->asksReturns ? ReturnReason::inUse()->whereHas('policies')->get() : new Collection;
    }

    /**
     * Pages that may show the form in a frame, as a policy names them.
     */
    public function frameOrigins(): string
    {
        $origins = preg_split('/\s+/', (string) ($this->account->settings['frame_origins'] ?? ''), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return implode(
            ' ',
            array_filter($origins, static fn (string $origin): bool => preg_match('#^https?://[a-z0-9.-]+(:\d+)?$#Di', $origin) === 1)
        )
            ?: "'self'";
    }
}
