<?php

declare(strict_types=1);

namespace App\Answering;

use App\Answering\Outbox\SendAgain;
use App\Conversations\Actor;
use App\Conversations\ActsOnConversation;
use App\Conversations\CameInBetween;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\ConversationState;
use App\Conversations\Message;
use App\Conversations\TakeConversation;
use App\Fields\FieldRefused;
use App\Sorting\Outcome;
use App\Support\HtmlCleaner;
use App\Support\LocalTime;
use App\Team\SignedIn;
use App\Team\Teammate;
use App\Templates\Step;
use App\Templates\TemplateProblem;
use App\Templates\UsedTemplate;
use App\Workspace\ConversationPage;
use App\Workspace\Presence;
use Cairnfield\Core\Text\AttachmentMention;
use Cairnfield\Core\Text\FoldedText;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

final readonly class ReplyController
{
    use ActsOnConversation;

    public function __construct(
        private SendReply $sendReply,
        private KeepDraft $keepDraft,
        private ConversationPage $page,
        private SendAgain $sendAgain,
        private CallBack $callBack,
        private TakeConversation $take,
        private ScheduleReply $scheduleReply,
        private LocalTime $time,
        private HtmlCleaner $cleaner,
    ) {}

    public function send(Request $request, Conversation $conversation): RedirectResponse|Response
    {
        Gate::authorize('reply', $conversation);
        $teammate = SignedIn::teammate($request);
        $written = $request->validate([
            'text' => ['nullable', 'string', 'max:1000000'],
            'html' => ['nullable', 'string', 'max:1000000'],
            'then' => ['required', Rule::in(['waiting', 'open', 'resolved'])],
            'outcome' => ['nullable', 'integer'],
            'route' => ['nullable', 'string', 'max:100'],
            'cc' => ['nullable', 'string', 'max:2000'],
            'bcc' => ['nullable', 'string', 'max:2000'],
            'when' => ['nullable', Rule::in(['now', 'at', 'unless'])],
            'at' => ['nullable', 'date_format:Y-m-d\TH:i'],
            'days' => ['nullable', 'integer', 'min:1', 'max:60'],
            'seen' => ['required', 'integer'],
            'once' => ['required', 'uuid'],
            'subject' => ['nullable', 'string', 'max:300'],
            'steps' => ['array', 'max:40'],
            'steps.*' => ['string', 'max:1000'],
        ]);
        $rich = RichText::of($written['html'] ?? null, $this->cleaner);
        $written['text'] = $rich->text ?? $written['text'] ?? '';
        // First of all kept: whatever happens next, what was written is not lost.
        $draft = $this->keepDraft->text($conversation, $teammate, Draft::REPLY, (string) $written['text'], [
            'cc' => (string) ($written['cc'] ?? ''),
            'bcc' => (string) ($written['bcc'] ?? ''),
            'own_name' => $request->boolean('own_name'),
            'html' => $rich->html ?? '',
            ...array_map(strval(...), array_intersect_key(
                $written, array_flip(['subject', 'then', 'outcome', 'route', 'when', 'at', 'days'])
            )),
        ]);
        try {
            /** @var list<UploadedFile> $uploads */
            $uploads = array_values((array) $request->file('files'));
            $draft = $uploads === [] ? $draft : $this->keepDraft->attach($conversation, $teammate, ...$uploads);
            $this->refuseWithoutItsFile($request, $draft);
            $reply = new ReplyToSend(
                $draft->text,
                $draft->files,
                ConversationState::from($written['then']),
                isset($written['outcome']) ? Outcome::query()->find((int) $written['outcome']) : null,
                $written['once'],
                (int) $written['seen'],
                $written['route'] ?? null,
                null,
                Recipients::read((string) ($written['cc'] ?? '')),
                Recipients::read((string) ($written['bcc'] ?? '')),
                $request->boolean('own_name'),
                $rich?->html,
                $this->steps($written['steps'] ?? []),
                UsedTemplate::all($draft->details['templates'] ?? []),
                trim((string) ($written['subject'] ?? '')) === '' ? null : trim((string) $written['subject']),
                despiteApproval: $request->boolean('despite_approval'),
            );
            $later = $this->later($written, $teammate);
            if ($later !== null) {
                $this->scheduleReply->schedule($conversation, $teammate, $reply, $later, $written['when'] === 'unless');

                $unless = $written['when'] === 'unless' ? ', unless they answer first' : '';

                return $this->goOn($request, $conversation, "Kept to be sent {$this->time->short($later)}{$unless}.");
            }
            $message = $this->sendReply->send($conversation, $teammate, $reply);
        } catch (ConversationRefused|FieldRefused|TemplateProblem $why) {
            return redirect()->route('conversation', $conversation)
                ->with(['problem' => $why->getMessage(), 'problem_code' => $why->reason]);
        } catch (CameInBetween $between) {
            return $this->showWhatCameInBetween($request, $conversation, $between);
        }

        return $this->goOn($request, $conversation, 'Sent.', $message);
    }

    /**
     * Back to the conversation, or on to the next one, where the answer can still be called back.
     */
    private function goOn(Request $request, Conversation $conversation, string $done, ?Message $message = null): RedirectResponse
    {
        if (! $request->boolean('then_next')) {
            return $this->done($conversation, $done);
        }
        $next = $this->take->takeNext(SignedIn::teammate($request), $conversation->refresh());
        $told = ['done' => rtrim($done, '.')." ({$conversation->number()}, {$conversation->customer->name})."];

        return ($next === null ? redirect()->route('queue') : redirect()->route('conversation', $next))
            ->with($told)->with('can_be_called_back', $message?->id);
    }

    public function callOff(Request $request, ScheduledReply $scheduled): RedirectResponse
    {
        $conversation = $scheduled->conversation()->firstOrFail();
        Gate::authorize('reply', $conversation);
        $teammate = SignedIn::teammate($request);
        $this->scheduleReply->callOff(
            $scheduled, Actor::teammate($teammate), "by {$teammate->name}; what was written is a draft again"
        );

        return $this->done($conversation, 'Called off. What was written is a draft of its author again.');
    }

    public function sendNow(Request $request, ScheduledReply $scheduled): RedirectResponse
    {
        $conversation = $scheduled->conversation()->firstOrFail();
        Gate::authorize('reply', $conversation);
        $this->scheduleReply->sendNow($scheduled->load(['conversation', 'teammate']));
        $scheduled->refresh();

        return $scheduled->state === ScheduledReply::SENT
            ? $this->done($conversation, 'Sent.')
            : redirect()->route('conversation', $conversation)->with('problem', "Not sent: {$scheduled->reason}");
    }

    public function callBack(Request $request, Message $message): RedirectResponse
    {
        $conversation = $message->conversation()->firstOrFail();
        Gate::authorize('reply', $conversation);
        $this->callBack->byAuthor($message, SignedIn::teammate($request));

        return $this->done($conversation, 'Called back: it was not sent, and what you wrote is below again.');
    }

    public function sendAgain(Request $request, Message $message): RedirectResponse
    {
        Gate::authorize('reply', $message->conversation()->firstOrFail());
        $item = $message->outboxItem()->firstOrFail();
        $this->sendAgain->send($item, SignedIn::teammate($request));

        return $this->done($message->conversation()->firstOrFail(), 'It is being sent again.');
    }

    /**
     * @throws ConversationRefused where the text speaks of a file and none goes along
     */
    private function refuseWithoutItsFile(Request $request, Draft $draft): void
    {
        $words = $draft->files === [] && ! $request->boolean('without_file')
            ? AttachmentMention::in(FoldedText::of($draft->text)->written)
            : null;
        if ($words !== null) {
            throw ConversationRefused::noFileAttached($words);
        }
    }

    /**
     * Those that are still ticked, each as `kind=value`.
     *
     * @param  array<string>  $written
     * @return list<Step>
     *
     * @throws TemplateProblem
     */
    private function steps(array $written): array
    {
        return Step::all(array_map(static function (string $one): array {
            [$do, $value] = [...explode('=', $one, 2), ''];

            return ['do' => $do, 'value' => $value];
        }, $written));
    }

    /**
     * @param  array<string, mixed>  $written
     */
    private function later(array $written, Teammate $teammate): ?CarbonImmutable
    {
        return match ($written['when'] ?? 'now') {
            'at' => isset($written['at'])
                ? CarbonImmutable::parse((string) $written['at'], $teammate->time_zone)->utc()
                : throw ConversationRefused::sentInThePast(),
            'unless' => CarbonImmutable::now()->addDays((int) ($written['days'] ?? 3)),
            default => null,
        };
    }

    /**
     * The page anew, with what is new marked; sending from it goes through.
     */
    private function showWhatCameInBetween(Request $request, Conversation $conversation, CameInBetween $between): Response
    {
        return response(view('workspace.conversation', [
            ...$this->page->content($conversation->refresh(), SignedIn::teammate($request)),
            'here' => [],
            'hereMark' => Presence::mark([]),
            'look' => null,
            'since' => 0,
            'between' => $between->entries,
        ])->render(), Response::HTTP_CONFLICT);
    }
}
