<?php

declare(strict_types=1);

namespace App\Answering;

use App\Conversations\Message;
use App\Support\Row;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What is asked of a carrier, a supplier or a workshop from within a conversation. The customer never sees it.
 *
 * @property int $id
 * @property int $conversation_id
 * @property int $teammate_id
 * @property string $name
 * @property string $address
 * @property string $subject
 * @property CarbonImmutable|null $answered_at
 * @property Collection<int, Message> $messages
 */
final class PartnerThread extends Row
{
    protected $table = 'partner_threads';

    protected $guarded = ['*'];

    /**
     * @return HasMany<Message, $this>
     */
    public function messages(): HasMany
    {
        return $this->hasMany(Message::class);
    }

    protected function casts(): array
    {
        return ['answered_at' => 'immutable_datetime'];
    }
}
