<?php

declare(strict_types=1);

namespace App\Inbox;

use App\Channels\SendAgain;
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
    ) {}

    public function send(Request $request, Conversation $conversation): RedirectResponse|Response
    {
        Gate::authorize('reply', $conversation);
        $teammate = $this->teammate($request);
        $written = $request->validate([
            'text' => ['nullable', 'string', 'max:1000000'],
            'then' => ['required', Rule::in(['waiting', 'open', 'resolved'])],
            'outcome' => ['nullable', 'integer'],
            'route' => ['nullable', 'string', 'max:100'],
            'seen' => ['required', 'integer'],
            'once' => ['required', 'uuid'],
        ]);
        // First of all kept: whatever happens next, what was written is not lost.
        $draft = $this->keepDraft->text($conversation, $teammate, Draft::REPLY, (string) ($written['text'] ?? ''));
        try {
            /** @var list<UploadedFile> $uploads */
            $uploads = array_values((array) $request->file('files'));
            $draft = $uploads === [] ? $draft : $this->keepDraft->attach($conversation, $teammate, ...$uploads);
            $this->sendReply->send($conversation, $teammate, new ReplyToSend(
                $draft->text,
                $draft->files,
                ConversationState::from($written['then']),
                isset($written['outcome']) ? Outcome::query()->find((int) $written['outcome']) : null,
                $written['once'],
                (int) $written['seen'],
                $written['route'] ?? null,
            ));
        } catch (InboxRefused $why) {
            return $this->refused($conversation, $why);
        } catch (CameInBetween $between) {
            return $this->showWhatCameInBetween($request, $conversation, $between);
        }

        return $this->done($conversation, 'Sent.');
    }

    public function callBack(Request $request, Message $message): RedirectResponse
    {
        $conversation = $message->conversation()->firstOrFail();
        Gate::authorize('reply', $conversation);
        try {
            $this->callBack->byAuthor($message, $this->teammate($request));
        } catch (InboxRefused $why) {
            return $this->refused($conversation, $why);
        }

        return $this->done($conversation, 'Called back: it was not sent, and what you wrote is below again.');
    }

    public function sendAgain(Request $request, Message $message): RedirectResponse
    {
        Gate::authorize('reply', $message->conversation()->firstOrFail());
        $item = $message->outboxItem()->firstOrFail();
        $this->sendAgain->send($item, $this->teammate($request));

        return $this->done($message->conversation()->firstOrFail(), 'It is being sent again.');
    }

    /**
     * The page anew, with what is new marked; sending from it goes through.
     */
    private function showWhatCameInBetween(Request $request, Conversation $conversation, CameInBetween $between): Response
    {
        return response(view('inbox.conversation', [
            ...$this->page->content($conversation->refresh(), $this->teammate($request)),
            'here' => [],
            'hereMark' => Presence::mark([]),
            'look' => null,
            'since' => 0,
            'between' => $between->entries,
            'chosenThen' => $request->input('then'),
            'chosenRoute' => $request->input('route'),
            'chosenOutcome' => $request->input('outcome'),
        ])->render(), Response::HTTP_CONFLICT);
    }
}
