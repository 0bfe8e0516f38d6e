<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Support\FileStore;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;

final readonly class UnreadableMailController
{
    public function __construct(private FileStore $files) {}

    public function index(): View
    {
        return view('channels.unreadable-mail', [
            'kept' => UnreadableMail::query()
                ->with('account')
                ->where('state', UnreadableMail::KEPT)
                ->orderByDesc('received_at')
                ->paginate(50),
        ]);
    }

    public function original(UnreadableMail $mail): Response
    {
        return response($this->files->read($mail->original), 200, [
            'Content-Type' => 'application/octet-stream',
            'Content-Disposition' => "attachment; filename=\"unreadable-{$mail->id}.eml\"",
        ]);
    }

    public function take(UnreadableMail $mail, TakeMail $takeMail): RedirectResponse
    {
        $taken = $takeMail->take($this->files->read($mail->original), $mail->account()->first());
        if ($taken->outcome === null) {
            return back()->with('problem', "It still cannot be read: {$taken->reason}");
        }
        $mail->forceFill(['state' => UnreadableMail::TAKEN])->save();

        return redirect()->route('conversation', $taken->outcome->conversation)->with('done', 'The message was taken in.');
    }

    public function putAside(UnreadableMail $mail): RedirectResponse
    {
        $mail->forceFill(['state' => UnreadableMail::PUT_ASIDE])->save();

        return back()->with('done', 'Put aside. The original is kept.');
    }
}
