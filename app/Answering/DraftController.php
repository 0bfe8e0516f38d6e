<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\ActsOnConversation;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Support\HtmlCleaner;
use App\Support\LocalTime;
use App\Support\NotStored;
use App\Team\SignedIn;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;

final readonly class DraftController
{
    use ActsOnConversation;

    /** What a form has beside the text, to be kept as it is chosen. */
    private const CHOSEN = ['cc', 'bcc', 'subject', 'then', 'outcome', 'route', 'when', 'at', 'days'];

    public function __construct(private KeepDraft $keepDraft, private LocalTime $time, private HtmlCleaner $cleaner) {}

    public function keep(Request $request, Conversation $conversation, string $kind): Response
    {
        Gate::authorize($kind === Draft::REPLY ? 'reply' : 'note', $conversation);
        $written = $request->validate([
            'text' => ['nullable', 'string', 'max:1000000'], 'html' => ['nullable', 'string', 'max:1000000'],
            'once' => ['required', 'uuid'],
            ...array_fill_keys(self::CHOSEN, ['nullable', 'string', 'max:2000']),
        ]);
        $details = $kind === Draft::REPLY ? $this->details($request, $written) : [];
        $teammate = SignedIn::teammate($request);
        $draft = $this->keepDraft->unlessSent(
            $conversation, $teammate, $kind, $written['once'],
            fn (): Draft => $this->keepDraft->text($conversation, $teammate, $kind, (string) ($written['text'] ?? ''), $details)
        );

        return response($draft === null ? '' : 'draft kept '.e($this->time->clock($draft->updated_at)));
    }

    /**
     * What was chosen beside the text, as far as the form had it.
     *
     * @param  array<string, mixed>  $written
     * @return array<string, string|bool>
     */
    private function details(Request $request, array $written): array
    {
        return [
            ...($request->has('html') ? ['html' => RichText::of($written['html'] ?? null, $this->cleaner)->html ?? ''] : []),
            ...array_map(strval(...), array_intersect_key($written, array_flip(self::CHOSEN))),
            // A box that is not ticked is not in the form.
            ...($request->has('then') ? ['own_name' => $request->boolean('own_name')] : []),
        ];
    }

    public function attach(Request $request, Conversation $conversation): Response
    {
        Gate::authorize('reply', $conversation);
        $once = (string) $request->validate(['once' => ['required', 'uuid']])['once'];
        /** @var list<UploadedFile> $uploads */
        $uploads = array_values((array) $request->file('files'));
        $teammate = SignedIn::teammate($request);
        $problem = $this->keepDraft->unlessSent($conversation, $teammate, Draft::REPLY, $once, function () use (
            $conversation, $teammate, $uploads
        ): ?string {
            try {
                $this->keepDraft->attach($conversation, $teammate, ...$uploads);

                return null;
            } catch (ConversationRefused|NotStored $why) {
                return $why->getMessage();
            }
        });

        return $this->files($request, $conversation, $problem);
    }

    public function detach(Request $request, Conversation $conversation, string $sha256): Response
    {
        Gate::authorize('reply', $conversation);
        $this->keepDraft->detach($conversation, SignedIn::teammate($request), $sha256);

        return $this->files($request, $conversation);
    }

    private function files(Request $request, Conversation $conversation, ?string $problem = null): Response
    {
        $draft = Draft::for($conversation, SignedIn::teammate($request), Draft::REPLY)->first();

        return response(
            view('answering.draft-files', ['conversation' => $conversation, 'replyDraft' => $draft, 'fileProblem' => $problem])->render()
        );
    }
}
