<?php

declare(strict_types=1);

namespace App\Approvals;

use App\Conversations\Conversation;
use App\Orders\Order;
use App\Support\Row;
use App\Team\Role;
use App\Team\Teammate;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that needs a second person's yes.
 *
 * @phpstan-type SheetToAgreeTo array{
 *     chosen: array<string, mixed>, reason: string, told: array{template: int, done: bool}|null, rule: int|null
 * }
 *
 * @property int $id
 * @property int|null $conversation_id
 * @property int|null $order_id of which money is to go back; null for any other question
 * @property SheetToAgreeTo|null $worksheet
 * @property int|null $amount smallest units
 * @property string|null $currency
 * @property list<string>|null $steps the roles whose yes it needs, in their order
 * @property list<array{id: int, name: string, role: string, at: string}>|null $given who has said yes
 * @property int|null $refund_id what came of it
 * @property string $question
 * @property int|null $asked_of null: any lead or administrator
 * @property int|null $asked_by null: a rule asked
 * @property ApprovalState $state
 * @property int|null $answered_by
 * @property string $answer
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $answered_at
 * @property Teammate|null $askedOf
 * @property Teammate|null $askedBy
 * @property Conversation|null $conversation
 * @property Order|null $order
 */
final class Approval extends Row
{
    protected $table = 'approvals';

    public $timestamps = false;

    protected $guarded = ['*'];

    public function isOfMoney(): bool
    {
        return $this->order_id !== null;
    }

    /**
     * The role whose yes it needs next. Who stands above it has said yes for it, too.
     */
    public function needs(): Role
    {
        $steps = array_map(Role::from(...), $this->steps ?? [Role::Lead->value]);
        foreach ($this->given ?? [] as $yes) {
            $role = Role::from($yes['role']);
            while ($steps !== [] && WhoApproves::fits($role, $steps[0])) {
                array_shift($steps);
            }
        }

        return $steps[0] ?? Role::Lead;
    }

    /**
     * Whether with the yes of somebody of this role all have said it.
     */
    public function isEnoughWith(Role $role): bool
    {
        return WhoApproves::fits($role, Role::from(array_slice($this->steps ?? [Role::Lead->value], -1)[0] ?? Role::Lead->value));
    }

    public function isGivenBy(Teammate $teammate): bool
    {
        return in_array($teammate->id, array_column($this->given ?? [], 'id'), true);
    }

    /**
     * @return BelongsTo<Order, $this>
     */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class);
    }

    /**
     * @return BelongsTo<Conversation, $this>
     */
    public function conversation(): BelongsTo
    {
        return $this->belongsTo(Conversation::class);
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function askedOf(): BelongsTo
    {
        return $this->belongsTo(Teammate::class, 'asked_of');
    }

    /**
     * @return BelongsTo<Teammate, $this>
     */
    public function askedBy(): BelongsTo
    {
        return $this->belongsTo(Teammate::class, 'asked_by');
    }

    protected function casts(): array
    {
        return [
            'state' => ApprovalState::class, 'asked_at' => 'immutable_datetime', 'answered_at' => 'immutable_datetime',
            'worksheet' => 'array', 'steps' => 'array', 'given' => 'array',
        ];
    }
}
