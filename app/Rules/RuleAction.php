<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\Changes\Change;
use App\Conversations\Changes\ChangeRefused;
use App\Conversations\Changes\ChangeUse;
use App\Conversations\Changes\Chosen;
use App\Conversations\Changes\ThingsInUse;
use App\Returns\PolicyToSave;
use App\Returns\ReturnRefused;
use App\Sorting\Outcome;
use App\Team\Teammate;
use App\Templates\Placeholders;
use App\Templates\Template;
use App\Views\SharedWith;
use Cairnfield\Core\Templates\TemplateRefused;
use Cairnfield\Core\Templates\TemplateText;
use Illuminate\Database\Eloquent\Builder;

/**
 * One thing that a rule does: what, with what, and what is written beside it.
 */
final readonly class RuleAction
{
    /**
     * @param  Change|null  $change  of the catalogue; null where it is what only rules do
     * @param  ActionKind|null  $kind  what only rules do; null where it is a change
     * @param  string  $instead  the number of who answers when the person it answers as is away or not in the team any more
     * @param  string  $then  the state after an answer: `same`, `waiting`, or `resolved:` with an outcome
     * @param  bool  $mayBeLeft  whether an answer with a gap is left out, and the rule goes on; else the rule fails
     * @param  bool  $byMail  whether people are told by mail, too, whatever else they wish
     */
    private function __construct(
        public string $do,
        public ?Change $change,
        public ?ActionKind $kind,
        public Chosen $chosen,
        public string $instead,
        public string $then,
        public bool $byMail,
        public string $label,
        public bool $mayBeLeft = false,
    ) {}

    /**
     * Checked against what there is: what it names is there and can be used.
     *
     * @param  array<mixed>  $written
     *
     * @throws RuleRefused
     */
    public static function of(array $written, ?ThingsInUse $things = null): self
    {
        $things ??= new ThingsInUse;
        $word = static fn (string $key): string => is_scalar($written[$key] ?? null) ? trim((string) $written[$key]) : '';
        $do = $word('do');
        $chosen = Chosen::of($written);
        $change = app(ActionCatalogue::class)->change($do);
        if ($change !== null) {
            try {
                $words = $change->check($chosen, $things, ChangeUse::Rule);
            } catch (ChangeRefused $why) {
                throw RuleRefused::action($change->phrase(), $why->getMessage());
            }

            return new self($do, $change, null, $chosen, '', 'same', false, trim("{$change->phrase()} {$words}"));
        }
        $kind = ActionKind::tryFrom($do) ?? throw RuleRefused::noAction($do);
        $then = $word('then') === '' ? 'same' : $word('then');
        $byMail = $kind === ActionKind::Tell && $word('mail') === '1';
        $refuse = static fn (string $what): RuleRefused => RuleRefused::action($kind->label(), $what);
        $label = match ($kind) {
            ActionKind::Answer => self::answer($chosen, $then, $refuse, $things),
            ActionKind::AskRating => self::rating($chosen, $refuse, $things),
            ActionKind::AskApproval => (
                $chosen->value === 'leads' ? 'a lead' : Teammate::approvers()->find((int) $chosen->value)->name
                    ?? throw $refuse('choose a lead or an administrator who is in the team.')
            ).': '.self::written($chosen->text, 'write what is to be approved.', $refuse),
            ActionKind::GiveBack, ActionKind::AskGiveBack => self::money($chosen, $refuse, $things),
            ActionKind::Note => '“'.mb_strimwidth(self::written($chosen->text, 'write the note.', $refuse), 0, 80, '…').'”',
            ActionKind::Tell => self::told($chosen->value, $refuse, $things).($byMail ? ', also by mail: ' : ': ').self::written(
                $chosen->text, 'write what they are told.', $refuse
            ),
            ActionKind::Task => (
                $chosen->value === 'owner' ? 'the owner' : self::person($chosen->value, $refuse, $things)
            ).': '.self::written($chosen->text, 'write what is to be done.', $refuse).(
                $chosen->hours === 0 ? '' : ", due in {$chosen->hours} working hours"
            ),
            ActionKind::CallHook => '“'.(
                $things->one(Hook::inUse(), $chosen->value)->name ?? throw $refuse(
                    'choose a webhook; this one is not there any more. An administrator adds them.'
                )
            ).'”',
            ActionKind::Stop => '',
        };

        $mayBeLeft = $kind->answers() && $word('gap') === 'leave';

        return new self(
            $do, null, $kind, $chosen, $word('instead'), $then, $byMail,
            trim("{$kind->label()} {$label}").($mayBeLeft ? ', or not where something of it cannot be filled' : ''), $mayBeLeft
        );
    }

    /**
     * Whether the rest of the rule is done all the same.
     */
    public function goesOnWithout(RuleRefused $why): bool
    {
        return $this->mayBeLeft && in_array($why->reason, ['unfilled', 'not_for_strangers'], true);
    }

    /**
     * @return array<string, string>
     */
    public function toArray(): array
    {
        return array_filter([
            'do' => $this->do,
            ...$this->chosen->toArray(),
            'instead' => $this->instead,
            'then' => $this->then === 'same' ? '' : $this->then,
            'mail' => $this->byMail ? '1' : '',
            'gap' => $this->mayBeLeft ? 'leave' : '',
        ], static fn (string $value): bool => $value !== '');
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function person(string $value, callable $refuse, ThingsInUse $things): string
    {
        return $things->one(Teammate::working(), $value)->name ?? throw $refuse('choose a person; this one is not in the team any more.');
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function answer(Chosen $chosen, string $then, callable $refuse, ThingsInUse $things): string
    {
        $found = $things->one(self::templates(), $chosen->value) ?? throw $refuse('choose a template; this one is not there any more.');
        if ($found->shared_with === SharedWith::Nobody) {
            throw $refuse("“{$found->name}” is somebody’s own template. Share it with everybody first.");
        }
        [$state, $outcome] = [...explode(':', $then, 2), ''];
        $after = match ($state) {
            'same' => '',
            'waiting' => ', then wait for the customer',
            'resolved' => ', then resolved, '.($things->one(Outcome::inUse(), $outcome)->name ?? throw $refuse('choose the outcome.')),
            default => throw $refuse('choose the state afterwards.'),
        };

        return "“{$found->name}” as ".self::person($chosen->as, $refuse, $things).$after;
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function money(Chosen $chosen, callable $refuse, ThingsInUse $things): string
    {
        $what = GiveBackByRule::WHAT[$chosen->value] ?? throw $refuse('choose what goes back.');
        try {
            $most = PolicyToSave::amounts($chosen->text, 'text');
        } catch (ReturnRefused $why) {
            throw $refuse($why->getMessage());
        }
        $most === [] && throw $refuse('write how much at most, such as 9.00 EUR.');

        return "{$what}, at most ".PolicyToSave::written($most).', as '.self::person($chosen->as, $refuse, $things);
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function rating(Chosen $chosen, callable $refuse, ThingsInUse $things): string
    {
        $found = $things->one(self::templates(), $chosen->value);
        foreach ($found?->languages()->get() ?? [] as $language) {
            if (! str_contains($language->text, 'rating.link')) {
                throw $refuse("“{$found?->name}” has no {{ rating.link }} in “{$language->language}”, so nobody could rate.");
            }
        }

        return self::answer($chosen, 'same', $refuse, $things);
    }

    /**
     * @return Builder<Template>
     */
    private static function templates(): Builder
    {
        return Template::query()->whereNull('retired_at');
    }

    /**
     * What the team will read, with placeholders that can be filled.
     *
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function written(string $text, string $whenEmpty, callable $refuse): string
    {
        if ($text === '') {
            throw $refuse($whenEmpty);
        }
        try {
            foreach (TemplateText::ofText($text)->placeholders() as $placeholder) {
                foreach ($placeholder->names as $name) {
                    (new Placeholders)->has($name) || throw $refuse("there is no placeholder {{ {$name} }}.");
                }
            }
        } catch (TemplateRefused $why) {
            throw $refuse($why->getMessage());
        }

        return $text;
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function told(string $value, callable $refuse, ThingsInUse $things): string
    {
        return match ($value) {
            'owner' => 'the owner',
            'team' => 'its team',
            'leads' => 'the leads',
            default => self::person($value, $refuse, $things),
        };
    }
}
