<?php

declare(strict_types=1);

namespace App\Returns;

use App\Conversations\Actor;
use App\Refunds\DueRow;
use App\Refunds\TellByTemplate;
use App\Support\FileStore;
use App\Support\RegularJob;
use App\Team\Teammate;

/**
 * Tells customers of the steps of their returns, each with the template that the store has chosen for it; what was agreed goes with its
 * label. In the name of who took the step, where they write to customers, else of the conversation's owner, or of a lead.
 */
final class TellOfReturns extends RegularJob
{
    private const AT_ONCE = 50;

    /** Seconds until a label is looked for again, and for how long it is waited for. */
    private const LABEL_PAUSE = 10;

    private const LABEL_WAITS = 3600;

    public function __construct()
    {
        $this->onQueue('settling');
    }

    /**
     * In the transaction of the step.
     *
     * @param  string  $step  a state, or `reminded`
     */
    public static function of(CustomerReturn $return, string $step, Actor $actor): void
    {
        $template = $return->conversation_id === null ? null : ReturnSettings::toldWith($step);
        if ($template === null) {
            return;
        }
        $as = $actor->teammate?->role->answersCustomers() === true ? $actor->teammate : self::somebody($return);
        (new ReturnNotice)->forceFill([
            'return_id' => $return->id, 'step' => $step, 'template_id' => $template, 'teammate_id' => $as?->id, 'at' => now(),
            'next_at' => now(),
        ])->save();
        self::dispatch()->afterCommit();
    }

    public function handle(TellByTemplate $tell, FileStore $files): void
    {
        $due = ReturnNotice::query()->whereNotNull('next_at')->where('next_at', '<=', now())->with(['return.conversation', 'teammate'])
            ->orderBy('next_at')->orderBy('id')->limit(self::AT_ONCE)->get();
        foreach ($due as $notice) {
            if (! DueRow::claim($notice, 'next_at')) {
                continue;
            }
            $return = $notice->return;
            $isAgreed = $notice->step === ReturnState::Agreed->value;
            if ($isAgreed && $return->label_next_at !== null && $notice->at->addSeconds(self::LABEL_WAITS)->isFuture()) {
                ReturnNotice::query()->whereKey($notice->id)->update(['next_at' => now()->addSeconds(self::LABEL_PAUSE)]);

                continue;
            }
            $why = $tell->tell(
                $return->conversation, $notice->template_id, $notice->teammate, "return-notice-{$notice->id}",
                $isAgreed && $return->label_file !== null ? [self::label($return, $files)] : []
            );
            ReturnNotice::query()->whereKey($notice->id)->update([
                'next_at' => null, 'told_at' => $why === null ? now() : null, 'why' => $why,
            ]);
        }
    }

    /**
     * @return array{name: string, type: string, size: int, sha256: string, file: string}
     */
    private static function label(CustomerReturn $return, FileStore $files): array
    {
        $bytes = $files->read((string) $return->label_file);

        return [
            'name' => "label-{$return->number()}.pdf", 'type' => 'application/pdf', 'size' => strlen($bytes),
            'sha256' => hash('sha256', $bytes), 'file' => (string) $return->label_file,
        ];
    }

    private static function somebody(CustomerReturn $return): ?Teammate
    {
        $owner = $return->conversation()->first()?->owner()->first();

        return $owner !== null && $owner->may_sign_in && $owner->role->answersCustomers() ? $owner : Teammate::leads()->first();
    }
}
