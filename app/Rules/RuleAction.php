<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conversations\ConversationState;
use App\Fields\FieldRefused;
use App\Support\Languages;
use App\Templates\Placeholders;
use App\Templates\Step;
use App\Templates\StepKind;
use App\Views\SharedWith;
use Cairnfield\Core\Queue\Priority;
use Cairnfield\Core\Templates\TemplateRefused;
use Cairnfield\Core\Templates\TemplateText;

/**
 * One thing that a rule does: what, with what, and what is written beside it.
 */
final readonly class RuleAction
{
    public const MOST_HOURS = 2000;

    private const LONGEST = 5000;

    /**
     * @param  string  $value  what was chosen: a priority, the number of a person, a template …
     * @param  string  $text  what is written: a tag, a note, why it is held
     * @param  int  $hours  working hours until a task is due, or something held comes back; 0 for none
     * @param  string  $as  the number of the person it answers as
     * @param  string  $instead  the number of who answers when that person is away or not in the team any more
     * @param  string  $then  the state after an answer: `same`, `waiting`, or `resolved:` with an outcome
     * @param  bool  $byMail  whether people are told by mail, too, whatever else they wish
     */
    private function __construct(
        public ActionKind $kind,
        public string $value,
        public string $text,
        public int $hours,
        public string $as,
        public string $instead,
        public string $then,
        public bool $byMail,
        public string $label,
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
        $kind = ActionKind::tryFrom($word('do')) ?? throw RuleRefused::noAction($word('do'));
        $value = $word('value');
        $text = mb_substr($word('text'), 0, self::LONGEST);
        $hours = ctype_digit($word('hours')) ? min(self::MOST_HOURS, (int) $word('hours')) : 0;
        $then = $word('then') === '' ? 'same' : $word('then');
        $byMail = $kind === ActionKind::Tell && $word('mail') === '1';
        $refuse = static fn (string $what): RuleRefused => RuleRefused::action($kind, $what);
        $label = match ($kind) {
            ActionKind::SetPriority => (Priority::tryFrom($value) ?? throw $refuse('choose low, normal, high or urgent.'))->value,
            ActionKind::SetCategory => $things->category($value)->path ?? throw $refuse(
                'choose a category; this one is not there any more.'
            ),
            ActionKind::SetState => self::state($value, $text, $refuse, $things),
            ActionKind::SetLanguage => Languages::has($value) ? Languages::name($value) : throw $refuse('choose a language.'),
            ActionKind::AssignPerson => match ($value) {
                '' => 'nobody',
                'turn' => 'whoever’s turn it is in its team',
                'lead' => 'the lead on duty',
                default => self::person($value, $refuse, $things),
            },
            ActionKind::AssignTeam => $things->team($value)->name ?? throw $refuse('choose a team; this one is not there any more.'),
            ActionKind::AddTag,
            ActionKind::RemoveTag => $text !== '' && mb_strlen($text) <= 60
                ? "“{$text}”"
                : throw $refuse('write the tag, of at most 60 letters.'),
            ActionKind::SetField => self::field($value, $text, $refuse, $things),
            ActionKind::Answer => self::answer($value, $word('as'), $then, $refuse, $things),
            ActionKind::AskRating => self::rating($value, $word('as'), $refuse, $things),
            ActionKind::AskApproval => (
                $value === 'leads' ? 'a lead' : self::person($value, $refuse, $things)
            ).': '.self::written($text, 'write what is to be approved.', $refuse),
            ActionKind::Note => '“'.mb_strimwidth(self::written($text, 'write the note.', $refuse), 0, 80, '…').'”',
            ActionKind::Tell => self::told($value, $refuse, $things).($byMail ? ', also by mail: ' : ': ').self::written(
                $text, 'write what they are told.', $refuse
            ),
            ActionKind::Checklist => '“'.(
                $things->checklist($value)->name ?? throw $refuse('choose a checklist; this one is not there any more.')
            ).'”',
            ActionKind::Task => (
                $value === 'owner' ? 'the owner' : self::person($value, $refuse, $things)
            ).': '.self::written($text, 'write what is to be done.', $refuse).($hours === 0 ? '' : ", due in {$hours} working hours"),
            ActionKind::Nudge => '“'.(
                $things->plan($value)->name ?? throw $refuse('choose a nudge plan; this one is not there any more.')
            ).'” as '.self::person($word('as'), $refuse, $things),
            ActionKind::CallHook => '“'.(
                $things->hook($value)->name ?? throw $refuse(
                    'choose a webhook; this one is not there any more. An administrator adds them.'
                )
            ).'”',
            ActionKind::Stop => '',
        };
        $shown = trim("{$kind->label()} {$label}").(
            $kind === ActionKind::SetState && $value === ConversationState::Held->value && $hours > 0 ? ", for {$hours} working hours" : ''
        );

        return new self($kind, $value, $text, $hours, $word('as'), $word('instead'), $then, $byMail, $shown);
    }

    /**
     * The same as a step that goes along with an answer, where there is one: both are done by `ApplySteps`.
     */
    public function step(): ?Step
    {
        return match ($this->kind) {
            ActionKind::SetPriority => Step::of(StepKind::Priority->value, $this->value),
            ActionKind::SetCategory => Step::of(StepKind::Category->value, $this->value),
            ActionKind::AssignPerson => Step::of(StepKind::Owner->value, $this->value),
            ActionKind::AssignTeam => Step::of(StepKind::Team->value, $this->value),
            ActionKind::AddTag => Step::of(StepKind::Tag->value, $this->text),
            ActionKind::RemoveTag => Step::of(StepKind::Untag->value, $this->text),
            ActionKind::SetField => Step::of(StepKind::Field->value, "{$this->value}|{$this->text}"),
            ActionKind::Checklist => Step::of(StepKind::Checklist->value, $this->value),
            default => null,
        };
    }

    /**
     * @return array<string, string>
     */
    public function toArray(): array
    {
        return array_filter([
            'do' => $this->kind->value,
            'value' => $this->value,
            'text' => $this->text,
            'hours' => $this->hours === 0 ? '' : (string) $this->hours,
            'as' => $this->as,
            'instead' => $this->instead,
            'then' => $this->then === 'same' ? '' : $this->then,
            'mail' => $this->byMail ? '1' : '',
        ], static fn (string $value): bool => $value !== '');
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function state(string $value, string $text, callable $refuse, ThingsInUse $things): string
    {
        [$state, $outcome] = [...explode(':', $value, 2), ''];

        return match (ConversationState::tryFrom($state)) {
            ConversationState::Open => 'open',
            ConversationState::Waiting => 'wait for the customer',
            ConversationState::Held => 'held: '.($text === '' ? throw $refuse('write who must act first, and why.') : $text),
            ConversationState::Resolved => 'resolved, '.($things->outcome($outcome)->name ?? throw $refuse('choose the outcome.')),
            ConversationState::Closed => 'closed for good',
            null => throw $refuse('choose a state.'),
        };
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function person(string $value, callable $refuse, ThingsInUse $things): string
    {
        return $things->person($value)->name ?? throw $refuse('choose a person; this one is not in the team any more.');
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function field(string $word, string $written, callable $refuse, ThingsInUse $things): string
    {
        $field = $things->field($word) ?? throw $refuse('choose a field; this one is not there any more.');
        try {
            $field->kind->read($written, $field->choices, $field->name);
        } catch (FieldRefused $why) {
            throw $refuse($why->getMessage());
        }

        return "“{$field->name}” to ".($written === '' ? 'nothing' : $written);
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function answer(string $template, string $as, string $then, callable $refuse, ThingsInUse $things): string
    {
        $found = $things->template($template) ?? throw $refuse('choose a template; this one is not there any more.');
        if ($found->shared_with === SharedWith::Nobody) {
            throw $refuse("“{$found->name}” is somebody’s own template. Share it with everybody first.");
        }
        [$state, $outcome] = [...explode(':', $then, 2), ''];
        $after = match ($state) {
            'same' => '',
            'waiting' => ', then wait for the customer',
            'resolved' => ', then resolved, '.($things->outcome($outcome)->name ?? throw $refuse('choose the outcome.')),
            default => throw $refuse('choose the state afterwards.'),
        };

        return "“{$found->name}” as ".self::person($as, $refuse, $things).$after;
    }

    /**
     * @param  callable(string): RuleRefused  $refuse
     */
    private static function rating(string $template, string $as, callable $refuse, ThingsInUse $things): string
    {
        $found = $things->template($template);
        foreach ($found?->languages()->get() ?? [] as $language) {
            if (! str_contains($language->text, 'rating.link')) {
                throw $refuse("“{$found?->name}” has no {{ rating.link }} in “{$language->language}”, so nobody could rate.");
            }
        }

        return self::answer($template, $as, 'same', $refuse, $things);
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
