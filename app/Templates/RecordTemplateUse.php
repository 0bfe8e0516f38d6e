<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Conversation;
use App\Conversations\Message;
use Cairnfield\Core\Text\WordDifference;
use Illuminate\Support\Facades\DB;

/**
 * Counts that templates were sent, and where people chose them: how much of their words was changed before, and on
 * what they were used. Runs in the transaction of the answer.
 */
final readonly class RecordTemplateUse
{
    /** A word or two, such as another greeting, is no rewriting. */
    private const CHANGED_FROM = 0.1;

    public function __construct(private SuggestTemplates $suggest) {}

    /**
     * @param  list<UsedTemplate>  $used
     */
    public function record(Conversation $conversation, Message $message, array $used): void
    {
        $counted = [];
        foreach ($used as $one) {
            $share = WordDifference::between($one->text, $message->text)->share();
            // What was put in and taken out again was not sent.
            if ($one->text !== '' && $share >= 1 || isset($counted[$one->template])) {
                continue;
            }
            $counted[$one->template] = true;
            $thousandths = (int) round($share * 1000);
            $byHand = $message->automatic ? 0 : 1;
            $isKnown = Template::query()->whereKey($one->template)->increment('uses', 1, [
                'hand_uses' => DB::raw("hand_uses + {$byHand}"),
                'changed_uses' => DB::raw('changed_uses + '.($thousandths >= self::CHANGED_FROM * 1000 ? 1 : 0)),
                'changed_thousandths' => DB::raw("changed_thousandths + {$thousandths}"),
                'last_used_at' => now(),
                'updated_at' => DB::raw('updated_at'),
            ]) === 1;
            if ($isKnown) {
                DB::table('template_uses')->insert([
                    'template_id' => $one->template, 'message_id' => $message->id, 'conversation_id' => $conversation->id,
                    'language' => $one->language, 'changed_thousandths' => $thousandths, 'at' => now(),
                ]);
                $message->automatic ?: $this->learn($one->template, $conversation);
            }
        }
    }

    /**
     * What was called back was not sent. What was learnt stays: it fitted all the same.
     */
    public function forget(Message $message): void
    {
        foreach (DB::table('template_uses')->where('message_id', $message->id)->get() as $use) {
            $thousandths = (int) $use->changed_thousandths;
            $isChanged = $thousandths >= self::CHANGED_FROM * 1000 ? 1 : 0;
            DB::table('templates')->where('id', $use->template_id)->update([
                'uses' => DB::raw('uses - 1'),
                'hand_uses' => DB::raw('hand_uses - '.($message->automatic ? 0 : 1)),
                'changed_uses' => DB::raw("changed_uses - {$isChanged}"),
                'changed_thousandths' => DB::raw("changed_thousandths - {$thousandths}"),
            ]);
        }
        DB::table('template_uses')->where('message_id', $message->id)->delete();
    }

    private function learn(int $template, Conversation $conversation): void
    {
        $situation = $this->suggest->situation($conversation);
        $habits = [['channel', $situation->channel], ...array_map(static fn (string $word): array => ['word', $word], $situation->words)];
        if ($situation->category !== null) {
            $habits[] = ['category', (string) $situation->category];
        }
        DB::table('template_habits')->upsert(
            array_map(
                static fn (array $habit): array => ['template_id' => $template, 'kind' => $habit[0], 'value' => $habit[1], 'uses' => 1],
                $habits
            ),
            ['template_id', 'kind', 'value'],
            ['uses' => DB::raw('uses + 1')],
        );
    }
}
