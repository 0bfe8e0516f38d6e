<?php

declare(strict_types=1);

namespace App\Rules;

use App\Conditions\OwnValueField;
use App\Fields\About;
use App\Fields\FieldKind;
use App\Fields\OwnField;
use App\Nudges\NudgePlan;
use App\Sorting\KnownOutcome;
use App\Sorting\Outcome;
use App\Team\Role;
use App\Team\Teammate;
use App\Templates\SaveTemplate;
use App\Templates\Template;
use App\Templates\TemplateToSave;
use App\Views\SharedWith;
use Cairnfield\Core\Rules\Way;
use Cairnfield\Core\Text\Folding;

/**
 * Rules that most stores want, made with a click: off, to be looked at, changed and tried out first. The templates
 * they answer with are made along, where there are none of that name yet.
 */
final readonly class ReadyMade
{
    private const BROKEN = [
        'broken', 'broke', 'break', 'breaks', 'split', 'torn', 'tore', 'tear', 'damaged', 'damage', 'cracked', 'faulty', 'defective',
    ];

    private const HELLO_DE = "Guten Tag{{ if customer.name }} {{ customer.name }}{{ end }},\n\n";

    private const TEXTS = [
        'Receipt, while we are here' => [
            'en' => "Hello {{ customer.first_name | \"there\" }},\n\nthank you for writing. Your message has arrived as "
                ."{{ conversation.number }}, and one of us answers today.\n\n{{ store.name }}",
            'da' => "Hej {{ customer.first_name | \"med dig\" }},\n\ntak for din besked. Den er kommet frem som "
                ."{{ conversation.number }}, og en af os svarer i dag.\n\n{{ store.name }}",
            'de' => self::HELLO_DE
                .'vielen Dank für Ihre Nachricht. Sie ist als {{ conversation.number }} angekommen, und '
                ."heute antwortet Ihnen jemand von uns.\n\n{{ store.name }}",
        ],
        'Receipt, while we are away' => [
            'en' => "Hello {{ customer.first_name | \"there\" }},\n\nthank you for writing. Your message has arrived as "
                .'{{ conversation.number }}. We are away at the moment and back on {{ store.opens_at }}; then one of '
                ."us answers.\n\n"
                .'{{ store.name }}',
            'da' => "Hej {{ customer.first_name | \"med dig\" }},\n\ntak for din besked. Den er kommet frem som "
                ."{{ conversation.number }}. Vi er her igen {{ store.opens_at }}, og så svarer en af os.\n\n{{ store.name }}",
            'de' => self::HELLO_DE
                .'vielen Dank für Ihre Nachricht. Sie ist als {{ conversation.number }} angekommen. Wir sind '
                ."ab {{ store.opens_at }} wieder da; dann antwortet Ihnen jemand.\n\n{{ store.name }}",
        ],
        'Please send a photo' => [
            'en' => "Hello {{ customer.first_name | \"there\" }},\n\nthat should not have happened. Could you send us "
                .'a photo of it, '
                ."and one of the label? Simply answer to this mail. With both we can tell what to send you.\n\n{{ store.name }}",
            'da' => "Hej {{ customer.first_name | \"med dig\" }},\n\ndet skulle ikke være sket. Kan du sende os et "
                .'billede af det og '
                ."et af mærkaten? Svar blot på denne mail. Så kan vi sige, hvad vi sender dig.\n\n{{ store.name }}",
            'de' => self::HELLO_DE
                .'das hätte nicht passieren dürfen. Könnten Sie uns ein Foto davon schicken und eines vom '
                .'Etikett? Antworten Sie einfach auf diese Mail. Damit können wir sagen, was wir Ihnen '
                ."schicken.\n\n{{ store.name }}",
        ],
        'Reminder, the first' => [
            'en' => "Hello {{ customer.first_name | \"there\" }},\n\ndid you see what we asked about "
                .'“{{ conversation.subject }}”? As '
                ."soon as you answer we go on.\n\n{{ agent.first_name | store.name }}",
            'da' => "Hej {{ customer.first_name | \"med dig\" }},\n\nså du, hvad vi spurgte om vedrørende "
                .'“{{ conversation.subject }}”? '
                ."Så snart du svarer, går vi videre.\n\n{{ agent.first_name | store.name }}",
            'de' => self::HELLO_DE
                .'haben Sie gesehen, was wir zu „{{ conversation.subject }}“ gefragt haben? Sobald Sie '
                ."antworten, machen wir weiter.\n\n{{ agent.first_name | store.name }}",
        ],
        'Reminder, the second' => [
            'en' => "Hello {{ customer.first_name | \"there\" }},\n\nwe ask once more about "
                .'“{{ conversation.subject }}”. Is there '
                ."anything that keeps you from answering? We are glad to help.\n\n{{ agent.first_name | store.name }}",
            'da' => "Hej {{ customer.first_name | \"med dig\" }},\n\nvi spørger en gang til om "
                .'“{{ conversation.subject }}”. Er der noget, '
                ."der holder dig fra at svare? Vi hjælper gerne.\n\n{{ agent.first_name | store.name }}",
            'de' => self::HELLO_DE
                .'wir fragen noch einmal nach zu „{{ conversation.subject }}“. Gibt es etwas, das Sie von '
                ."einer Antwort abhält? Wir helfen gern.\n\n{{ agent.first_name | store.name }}",
        ],
        'Begun anew' => [
            'en' => "Hello {{ customer.first_name | \"there\" }},\n\nwhat you answered to was over some time ago, so "
                .'we have taken '
                ."your message as something new: {{ conversation.number }}, and one of us answers.\n\nIf it is about "
                .'another matter, '
                ."the quickest way is {{ store.form_link | \"a new message\" }}\n\n{{ store.name }}",
            'da' => "Hej {{ customer.first_name | \"med dig\" }},\n\ndet, du svarede på, blev afsluttet for noget tid "
                .'siden, så vi '
                ."har taget din besked som en ny sag: {{ conversation.number }}, og en af os svarer.\n\nHvis det "
                .'handler om noget '
                ."andet, er den hurtigste vej {{ store.form_link | \"en ny besked\" }}\n\n{{ store.name }}",
            'de' => self::HELLO_DE
                .'worauf Sie geantwortet haben, war vor einiger Zeit abgeschlossen. Wir haben Ihre Nachricht '
                ."deshalb neu aufgenommen: {{ conversation.number }}, und jemand von uns antwortet.\n\nGeht es um etwas anderes, "
                ."ist der schnellste Weg {{ store.form_link | \"eine neue Nachricht\" }}\n\n{{ store.name }}",
        ],
        'How was it?' => [
            'en' => "Hello {{ customer.first_name | \"there\" }},\n\nwe hope that all is well with "
                .'“{{ conversation.subject }}”. How '
                .'did we do? One click and, if you like, a few words help '
                ."us:\n\n{{ rating.link }}\n\n{{ agent.first_name | store.name }}",
            'da' => "Hej {{ customer.first_name | \"med dig\" }},\n\nvi håber, at alt er godt med “{{ conversation.subject }}”. "
                .'Hvordan klarede vi det? Et klik og, hvis du vil, et par ord hjælper '
                ."os:\n\n{{ rating.link }}\n\n{{ agent.first_name "
                .'| store.name }}',
            'de' => self::HELLO_DE
                .'wir hoffen, dass mit „{{ conversation.subject }}“ alles gut ist. Wie haben wir das gemacht? '
                ."Ein Klick und, wenn Sie mögen, ein paar Worte helfen uns:\n\n{{ rating.link }}\n\n"
                .'{{ agent.first_name | store.name }}',
        ],
        'Last word' => [
            'en' => "Hello {{ customer.first_name | \"there\" }},\n\nsince we have not heard from you, we take it "
                .'that all is well '
                .'and put {{ conversation.number }} aside. Simply answer to this mail if it is '
                ."not.\n\n{{ agent.first_name | store.name }}",
            'da' => "Hej {{ customer.first_name | \"med dig\" }},\n\nda vi ikke har hørt fra dig, går vi ud fra, at "
                .'alt er godt, og lægger '
                .'{{ conversation.number }} til side. Svar blot på denne mail, hvis det ikke er '
                ."sådan.\n\n{{ agent.first_name | store.name }}",
            'de' => self::HELLO_DE
                .'da wir nichts mehr von Ihnen gehört haben, gehen wir davon aus, dass alles gut ist, und '
                ."legen {{ conversation.number }} beiseite. Ist es nicht so, antworten Sie einfach auf diese Mail.\n\n"
                .'{{ agent.first_name | store.name }}',
        ],
    ];

    public function __construct(private SaveRule $save, private SaveTemplate $templates) {}

    /**
     * @return array<string, array{string, string}> by key, the name and what it is for
     */
    public function all(): array
    {
        return [
            'receipt-open' => [
                'Receipt while we are here',
                'Says in working hours that a mail has arrived, and under which number. The form sends its own.',
            ],
            'receipt-away' => ['Receipt while we are away', 'Says out of hours that a mail has arrived, and when the store opens next.'],
            'reopened' => ['Written to again after resolving', 'Tells the owner when a customer writes to what was resolved.'],
            'begun-anew' => [
                'Written to again after it was closed',
                'Tells the customer that it goes on as something new, with the address of the form.',
            ],
            'how-was-it' => [
                'Ask how it was, a working day after resolving',
                'Sends the address at which customers give stars; to one customer once in two weeks.',
            ],
            'low-stars' => ['Two stars or fewer for our answers', 'Brings it back and tells the leads.'],
            'away-owner' => ['Written to while its owner is away', 'Gives it to whoever’s turn it is.'],
            'no-scan' => ['No scan of the parcel for five days', 'Tells the owner, and makes a task to ask the carrier.'],
            'close' => ['Close ten working days after resolving', 'Later messages begin something new.'],
            'untouched' => ['Resolve what nobody touched for 30 days', 'Held or waiting without a change.'],
            'unanswered' => ['Unanswered for an hour', 'Tells the leads.'],
            'nobodys-due' => ['Nobody’s and due within the hour', 'Gives it to the lead on duty.'],
            'upset' => ['Upset, and open for 72 hours', 'Makes it urgent and tells the leads.'],
            'no-answer' => [
                'Remind customers who do not answer',
                'Starts a nudge plan when we answered and wait: reminders after 5 and 10 working days, resolved after 15.',
            ],
            'form-choice' => [
                'The form says that it is broken',
                'Sets the priority and asks for a photo; by the choice in your form, or where it has none by words of the message.',
            ],
        ];
    }

    /**
     * @throws RuleRefused where there is nobody to answer as, or no such rule
     */
    public function make(string $key, Teammate $teammate): Rule
    {
        $name = $this->all()[$key][0] ?? throw RuleRefused::noAction($key);
        $lead = Teammate::query()->where('role', Role::Lead)->where('may_sign_in', true)->orderBy('id')->first() ?? $teammate;
        $has = static fn (string $field, string $op, mixed $value): array => ['field' => $field, 'op' => $op, 'value' => $value];
        $state = static fn (string ...$states): array => $has('state', 'in', array_values($states));
        $answer = fn (string $template): array => [
            'do' => 'answer', 'value' => (string) $this->template($template, $teammate)->id, 'as' => (string) $lead->id,
            'instead' => (string) $teammate->id,
        ];
        $noAnswer = 'resolved:'.Outcome::known(KnownOutcome::NoAnswer)->id;
        $byMail = $has('channel', 'in', ['email', 'web_form']);
        // The form has sent a receipt already.
        $mailed = $has('channel', 'in', ['email']);
        [$events, $clock, $condition, $actions] = match ($key) {
            'receipt-open' => [
                [RuleEvent::FirstMessage], null, ['all' => [$mailed, $has('in_hours', 'is', true)]],
                [$answer('Receipt, while we are here')],
            ],
            'receipt-away' => [
                [RuleEvent::FirstMessage], null, ['all' => [$mailed, $has('in_hours', 'is', false)]],
                [$answer('Receipt, while we are away')],
            ],
            'reopened' => [
                [RuleEvent::WroteWhenResolved], null, ['all' => []],
                [['do' => 'tell', 'value' => 'owner', 'text' => 'They wrote again after it was resolved.']],
            ],
            'begun-anew' => [[RuleEvent::WroteWhenClosed], null, ['all' => [$byMail]], [$answer('Begun anew')]],
            'how-was-it' => [
                [], ['since' => 'state_changed', 'hours' => 8, 'in_hours' => true],
                ['all' => [$byMail, $state('resolved'), $has('answered', 'is', true)]],
                [['do' => 'ask_rating'] + $answer('How was it?')],
            ],
            'low-stars' => [
                [RuleEvent::Rated], null, $has('rating', 'at_most', 2),
                [
                    ['do' => 'set_status', 'value' => 'open'],
                    ['do' => 'tell', 'value' => 'leads', 'text' => 'Few stars: look at what went wrong.'],
                ],
            ],
            'away-owner' => [
                [RuleEvent::LaterMessage], null, $has('owner_away', 'is', true), [['do' => 'assign_person', 'value' => 'turn']],
            ],
            'no-scan' => [
                [], ['since' => 'parcel_seen', 'hours' => 120], $state('open', 'waiting', 'held'),
                [
                    ['do' => 'tell', 'value' => 'owner', 'text' => 'Nobody has seen its parcel for five days.'],
                    [
                        'do' => 'task', 'value' => 'owner',
                        'text' => 'Ask {{ parcel.carrier | "the carrier" }} for {{ parcel.number | "the parcel" }}', 'hours' => '4',
                    ],
                ],
            ],
            'close' => [
                [], ['since' => 'state_changed', 'hours' => 80, 'in_hours' => true], $state('resolved'),
                [['do' => 'set_status', 'value' => 'closed']],
            ],
            'untouched' => [
                [], ['since' => 'state_changed', 'hours' => 720], $state('waiting', 'held'),
                [['do' => 'set_status', 'value' => $noAnswer]],
            ],
            'unanswered' => [
                [], ['since' => 'unanswered', 'hours' => 1, 'in_hours' => true], $state('open'),
                [['do' => 'tell', 'value' => 'leads', 'text' => 'Nobody has answered for an hour.']],
            ],
            'nobodys-due' => [
                [], ['since' => 'until_due', 'hours' => 1, 'in_hours' => true],
                ['all' => [$state('open'), ['field' => 'owner', 'op' => 'is_empty']]],
                [['do' => 'assign_person', 'value' => 'lead']],
            ],
            'upset' => [
                [], ['since' => 'unanswered', 'hours' => 72], ['all' => [$state('open'), $has('mood', 'in', ['upset'])]],
                [
                    ['do' => 'set_priority', 'value' => 'urgent'],
                    ['do' => 'tell', 'value' => 'leads', 'text' => 'Upset, and still open after 72 hours.'],
                ],
            ],
            'no-answer' => [
                [RuleEvent::StateChanged], null, ['all' => [$state('waiting'), $has('done_by', 'in', ['teammate']), $mailed]],
                [['do' => 'nudge', 'value' => (string) $this->plan($teammate)->id, 'as' => (string) $lead->id]],
            ],
            'form-choice' => [
                [RuleEvent::FirstMessage], null, ['all' => [$has('channel', 'in', ['web_form']), $this->saysBroken()]],
                [['do' => 'set_priority', 'value' => 'high'], $answer('Please send a photo')],
            ],
            default => throw RuleRefused::noAction($key),
        };

        return $this->save->save(
            null,
            new RuleToSave(
                $name, Way::Every, $events, $condition, array_map(RuleAction::of(...), $actions), $this->all()[$key][1],
                ChangedBy::Leads, $clock === null ? null : TimeTrigger::of($clock)
            ),
            $teammate
        );
    }

    public function plan(Teammate $teammate): NudgePlan
    {
        $plan = NudgePlan::inUse()->where('name', 'No answer')->first();
        if ($plan === null) {
            $plan = (new NudgePlan)->forceFill([
                'name' => 'No answer',
                'steps' => [
                    ['days' => 5, 'template' => $this->template('Reminder, the first', $teammate)->id],
                    ['days' => 5, 'template' => $this->template('Reminder, the second', $teammate)->id],
                ],
                'end_days' => 5,
                'end_template_id' => $this->template('Last word', $teammate)->id,
                'end_outcome_id' => Outcome::known(KnownOutcome::NoAnswer)->id,
            ]);
            $plan->save();
        }

        return $plan;
    }

    /**
     * The choice of the store's form that says so; where there is none, words of the message.
     *
     * @return array<string, mixed>
     */
    private function saysBroken(): array
    {
        foreach (OwnField::inUse()->where('about', About::Conversation)->where('kind', FieldKind::Choice)->get() as $field) {
            foreach ($field->choices as $choice) {
                if (array_intersect(explode(' ', Folding::fold($choice)), self::BROKEN) !== []) {
                    return ['field' => (new OwnValueField($field))->key(), 'op' => 'in', 'value' => [$choice]];
                }
            }
        }

        return ['field' => 'message_text', 'op' => 'has_any_word', 'value' => self::BROKEN];
    }

    private function template(string $name, Teammate $teammate): Template
    {
        return Template::query()->whereNull('retired_at')->where('name', $name)->where('shared_with', SharedWith::Everybody)->first()
            ?? $this->templates->save(
                null,
                new TemplateToSave(
                    $name, 'Sent by rules', SharedWith::Everybody, null,
                    array_map(static fn (string $text): array => ['subject' => null, 'text' => $text, 'html' => null], self::TEXTS[$name]),
                    [], []
                ),
                $teammate
            );
    }
}
