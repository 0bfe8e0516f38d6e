<?php

declare(strict_types=1);

namespace App\Lookout;

use App\Channels\Services\PublicNetwork;
use App\Channels\Services\ServiceClient;
use App\Channels\Services\ServiceFault;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Queue\InteractsWithQueue;
use LogicException;

/**
 * Brings a post of our own out. Its key goes along: a second try posts nothing new.
 */
final class PublishPost implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 6;

    public function __construct(public readonly int $postId)
    {
        $this->onQueue('outbox');
    }

    /**
     * @return list<int>
     */
    public function backoff(): array
    {
        return [5, 15, 60, 300, 900];
    }

    public function handle(ServiceClient $client): void
    {
        $post = OwnPost::query()->with('account')->findOrFail($this->postId);
        if ($post->state === OwnPost::SENT) {
            return;
        }
        $type = $post->account->channel->type();
        if (! $type instanceof PublicNetwork) {
            throw new LogicException("Nothing can be posted by {$type->label()}.");
        }
        $request = $type->post($post->text);
        try {
            $answer = $client->send($post->account, 'POST', $request->path, $request->body, $post->once_key);
        } catch (ServiceFault $fault) {
            $post->forceFill(['last_error' => mb_substr($fault->getMessage(), 0, 1000)])->save();
            if ($fault->isFinal || $this->attempts() >= $this->tries) {
                $post->forceFill(['state' => OwnPost::FAILED])->save();

                return;
            }
            throw $fault;
        }
        $post->forceFill([
            'state' => OwnPost::SENT, 'outside_id' => mb_substr((string) ($answer['id'] ?? ''), 0, 191), 'last_error' => null,
        ])->save();
    }
}
