<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\Attachment;
use App\Conversations\Conversation;
use App\Conversations\ConversationRefused;
use App\Conversations\Message;
use App\Conversations\Note;
use App\Support\FileStore;
use App\Support\NotStored;
use App\Team\Teammate;
use App\Templates\FilledTemplate;
use App\Templates\Step;
use App\Templates\UsedTemplate;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/**
 * Keeps what is being written, as it is written, and the files chosen for it.
 */
final readonly class KeepDraft
{
    public function __construct(private FileStore $files) {}

    /**
     * @param  array<string, string|bool>  $details  beside the text: to whom copies go, in whose name, the rich text; what is not
     *   given stays
     */
    public function text(Conversation $conversation, Teammate $teammate, string $kind, string $text, array $details = []): Draft
    {
        return $this->change($conversation, $teammate, $kind, fn (Draft $draft) => $draft->forceFill([
            'text' => mb_strcut($text, 0, 1_000_000),
            'details' => $details === [] ? $draft->details : [...$draft->details ?? [], ...$details],
        ]));
    }

    /**
     * What was sent, or was to be sent, is a draft of its author again, with everything that was chosen beside it; what
     * they have begun since stays below. To be called in a transaction.
     *
     * @param  list<array{name: string, type: string, size: int, sha256: string, file: string}>  $files
     * @param  array<string, mixed>  $details  as they were when it was sent
     */
    public static function giveBack(Conversation $conversation, Teammate $author, string $text, array $files, array $details): void
    {
        $draft = Draft::locked($conversation, $author, Draft::REPLY);
        $hasBegun = trim($draft->text) !== '';
        $draft->forceFill([
            'text' => $hasBegun ? "{$text}\n\n{$draft->text}" : $text,
            'files' => array_values(array_column([...$draft->files, ...$files], null, 'sha256')),
            // Two texts of which one is rich are put together as plain ones.
            'details' => [...$draft->details ?? [], ...$details, ...($hasBegun ? ['html' => ''] : [])],
        ])->save();
    }

    /**
     * Does what keeps a draft while one writes. What was sent meanwhile is no draft any more, however late this arrives.
     *
     * @template T
     *
     * @param  string  $formKey  of the form it is written in
     * @param  callable(): T  $keep
     * @return T|null null where the form was sent
     */
    public function unlessSent(Conversation $conversation, Teammate $teammate, string $kind, string $formKey, callable $keep): mixed
    {
        return DB::transaction(function () use ($conversation, $teammate, $kind, $formKey, $keep): mixed {
            // Whoever sends has the conversation locked: it is sent before, and seen, or it is sent after, and takes the draft away.
            Conversation::query()->whereKey($conversation->id)->sharedLock()->value('id');

            return $this->isSent($teammate, $kind, $formKey) ? null : $keep();
        }, 3);
    }

    private function isSent(Teammate $teammate, string $kind, string $formKey): bool
    {
        return match ($kind) {
            Draft::NOTE => Note::query()->where('once_key', Note::onceKey($teammate->id, $formKey))->exists(),
            Draft::PARTNER => Message::query()->where('once_key', Message::onceKeyOfQuestion($teammate->id, $formKey))->exists(),
            default => Message::query()->where('once_key', Message::onceKeyOfReply($teammate->id, $formKey))->exists()
                || ScheduledReply::query()->where('once_key', Message::onceKeyOfReply($teammate->id, $formKey))->exists(),
        };
    }

    /**
     * A template was put into it: its files go along, and which steps are to be done with it.
     */
    public function template(Conversation $conversation, Teammate $teammate, FilledTemplate $filled): Draft
    {
        return $this->change($conversation, $teammate, Draft::REPLY, function (Draft $draft) use ($filled): void {
            $details = $draft->details ?? [];
            $files = array_column($draft->files, null, 'sha256');
            foreach ($filled->template->files as $file) {
                $files[$file->sha256] ??= $file->forDraft();
            }
            $steps = [];
            foreach (
                Step::possible([
                    ...$details['steps'] ?? [], ...array_map(static fn (Step $step): array => $step->toArray(), $filled->steps),
                ])[0] as $step
            ) {
                $steps[$step->setsOneValue() ? $step->do : "{$step->do}|{$step->value}"] = $step->toArray();
            }
            $draft->forceFill([
                'files' => array_values($files),
                'details' => [
                    ...$details,
                    'steps' => array_values($steps),
                    'templates' => [
                        ...$details['templates'] ?? [],
                        (new UsedTemplate($filled->template->id, $filled->language, $filled->text))->toArray(),
                    ],
                    'subject' => $filled->subject ?? $details['subject'] ?? null,
                ],
            ]);
        });
    }

    /**
     * @throws ConversationRefused when a file cannot be attached; the others of the same form are
     * @throws NotStored when there is no room for it
     */
    public function attach(Conversation $conversation, Teammate $teammate, UploadedFile ...$uploads): Draft
    {
        $refused = null;
        $draft = $this->change($conversation, $teammate, Draft::REPLY, function (Draft $draft) use ($uploads, &$refused): void {
            foreach ($uploads as $upload) {
                try {
                    // The same form sent again, where its answer was lost, attaches nothing twice.
                    $sha256 = $upload->isValid() ? hash_file('sha256', $upload->getRealPath()) : null;
                    if (in_array($sha256, array_column($draft->files, 'sha256'), true)) {
                        continue;
                    }
                    $draft->forceFill([
                        'files' => [...$draft->files, $this->file($upload, (int) array_sum(array_column($draft->files, 'size')))],
                    ]);
                } catch (ConversationRefused $why) {
                    $refused = $why;
                }
            }
        });

        return $refused === null ? $draft : throw $refused;
    }

    public function detach(Conversation $conversation, Teammate $teammate, string $sha256): Draft
    {
        return $this->change($conversation, $teammate, Draft::REPLY, fn (Draft $draft) => $draft->forceFill([
            'files' => array_values(array_filter($draft->files, static fn (array $file): bool => $file['sha256'] !== $sha256)),
        ]));
    }

    /**
     * A step that goes along is left out, or goes along again.
     *
     * @param  string  $step  as `kind=value`
     */
    public function step(Conversation $conversation, Teammate $teammate, string $step, bool $goesAlong): Draft
    {
        return $this->change($conversation, $teammate, Draft::REPLY, function (Draft $draft) use ($step, $goesAlong): void {
            $others = array_values(array_diff($draft->details['steps_left_out'] ?? [], [$step]));
            $draft->forceFill(['details' => [...$draft->details ?? [], 'steps_left_out' => $goesAlong ? $others : [...$others, $step]]]);
        });
    }

    /**
     * An upload, kept under its content.
     *
     * @param  int  $others  bytes of the files that go along already
     * @return array{name: string, type: string, size: int, sha256: string, file: string}
     *
     * @throws ConversationRefused when it did not arrive whole, is empty, or is too large
     * @throws NotStored when there is no room for it
     */
    public function file(UploadedFile $upload, int $others): array
    {
        $name = self::safeName($upload->getClientOriginalName());
        if (! $upload->isValid()) {
            throw ConversationRefused::file(
                $name, 'it did not arrive whole, or is larger than the server takes. Try again with a smaller file.'
            );
        }
        $largest = (int) config('cairnfield.mail.largest_attachments');
        $together = $others + (int) $upload->getSize();
        if ($together > $largest) {
            throw ConversationRefused::file(
                $name,
                'the files would have '
                    .Attachment::sizeText($together)
                    .' together, and mail takes '
                    .Attachment::sizeText($largest)
                    .'. Send a smaller one.'
            );
        }
        if ((int) $upload->getSize() === 0) {
            throw ConversationRefused::file($name, 'it is empty.');
        }
        $bytes = (string) file_get_contents($upload->getRealPath());

        return [
            'name' => $name,
            'type' => $upload->getMimeType() ?? 'application/octet-stream',
            'size' => strlen($bytes),
            'sha256' => hash('sha256', $bytes),
            'file' => $this->files->keep($bytes),
        ];
    }

    private static function safeName(string $name): string
    {
        $name = trim((string) preg_replace('/[\x{0}-\x{1F}\x{7F}\/\\\\]+/u', '', mb_scrub($name, 'UTF-8')));

        return $name === '' ? 'file' : mb_substr($name, -200);
    }

    /**
     * @param  callable(Draft): mixed  $change
     */
    private function change(Conversation $conversation, Teammate $teammate, string $kind, callable $change): Draft
    {
        return DB::transaction(function () use ($conversation, $teammate, $kind, $change): Draft {
            $draft = Draft::locked($conversation, $teammate, $kind);
            $change($draft);
            $draft->save();

            return $draft;
        }, 3);
    }
}
