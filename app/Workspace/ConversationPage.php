<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Answering\AnswerRoutes;
use App\Answering\Draft;
use App\Answering\PartnerThread;
use App\Answering\PeopleInCopy;
use App\Answering\ScheduledReply;
use App\Companies\CompanyProposal;
use App\Conversations\ChangeMark;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalSentence;
use App\Conversations\Message;
use App\Customers\Customer;
use App\Fields\OwnFields;
use App\Sorting\WhoMayRead;
use App\Support\RandomUuid;
use App\Team\Role;
use App\Team\Teammate;
use Cairnfield\Core\Mail\SenderCheck;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection as SupportCollection;
use Illuminate\Support\Facades\DB;

/**
 * What the page of a conversation shows.
 */
final readonly class ConversationPage
{
    private const EARLIER = 8;

    public function __construct(
        private Trail $trail,
        private ChangeMark $mark,
        private JournalSentence $sentence,
        private AnswerRoutes $routes,
        private PeopleInCopy $peopleInCopy,
        private Panels $panels,
        private PersonsPosts $posts,
        private OwnFields $ownFields,
        private WhoMayRead $whoMayRead,
    ) {}

    /**
     * @param  int  $pictures  the message whose remote pictures are asked for; 0 for none
     * @return array<string, mixed>
     */
    public function content(Conversation $conversation, Teammate $teammate, int $pictures = 0): array
    {
        $conversation->load(['joined.account', 'joined.customer.handles']);
        // Before all else that is shown: a change in between is then shown twice rather than never.
        $journal = $this->trail->journal($conversation);
        $there = WhatIsThere::ask([...$this->asks($conversation, $teammate), ...$this->panels->asks($conversation)]);
        $mark = $this->mark->ofFetched($conversation, array_values($journal->modelKeys()), $there->has('orders'));
        $seen = ChangeMark::newest($mark);
        $trail = $this->trail->of($conversation, $journal, $there->has('files'));
        $conversation->load('customer.handles');
        $this->loadIfThere($conversation, $there, 'tags');
        $this->loadIfThere($conversation->customer, $there, 'groups');
        $this->loadIfThere($conversation->customer, $there, 'notes');
        $conversation->customer->company_id === null
            ? $conversation->customer->setRelation('company', null)
            : $conversation->customer->load('company.responsible');
        $drafts = $there->has('drafts') ? Draft::query()
            ->where('conversation_id', $conversation->id)
            ->where('teammate_id', $teammate->id)
            ->get()
            ->keyBy('kind') : new Collection;

        $said = Trail::messages($trail);
        $routes = $this->routes->of($conversation, $said);
        $choices = Choices::of([...$this->offers($conversation), ...$this->panels->offers()]);

        return [
            'conversation' => $conversation,
            'category' => self::chosen($choices['categories'], 'categories', $conversation->category_id),
            'team' => self::chosen($choices['teams'], 'teams', $conversation->team_id),
            'outcome' => self::chosen($choices['outcomes'], 'outcomes', $conversation->outcome_id),
            'standing' => $conversation->standing(),
            'trail' => $trail,
            'sentence' => $this->sentence,
            'mark' => $mark,
            'seen' => $seen,
            'pictures' => $pictures,
            'teammate' => $teammate,
            'replyDraft' => $drafts->get(Draft::REPLY),
            'hasBegun' => $drafts->contains(static fn (Draft $draft): bool => $draft->text !== '' || $draft->files !== []),
            'noteDraft' => $drafts->get(Draft::NOTE),
            'onceKey' => RandomUuid::make(),
            'doubted' => self::doubted($conversation, $said),
            'routes' => $routes,
            'inCopy' => $this->peopleInCopy->of($conversation, $said, $routes),
            ...$choices,
            ...$this->panels->content($conversation, $teammate, $there),
            'isFollowed' => $there->has('follows'),
            'hasNews' => $there->has('news'),
            'scheduled' => ! $there->has('scheduled') ? new Collection : ScheduledReply::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('state', ScheduledReply::DUE)
                ->with('teammate')
                ->orderBy('send_at')
                ->get(),
            'partnerDraft' => $drafts->get(Draft::PARTNER),
            'partners' => ! $there->has('partners') ? new Collection : PartnerThread::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->orderByDesc('id')
                ->get(),
            'knownPartners' => ! $there->has('anyPartner') ? new Collection : $this->whoMayRead
                ->narrowWhatTellsOf(PartnerThread::query(), 'partner_threads.conversation_id')
                ->select('name', 'address')
                ->distinct()
                ->orderBy('name')
                ->limit(30)
                ->get(),
            'posts' => $this->posts->of($conversation),
            ...($there->has('ownFields')
                ? $this->ownFields->ofAll($conversation->id, $conversation->customer_id, $conversation->customer->company_id)
                : ['ownFields' => [], 'customerFields' => [], 'companyFields' => []]),
            'companyProposals' => $there->has('companyProposals') ? CompanyProposal::of($conversation->customer) : new Collection,
            'joined' => $conversation->joined,
            'readers' => $this->whoMayRead->namesOf($conversation->category_id),
            'closedCategories' => array_keys($this->whoMayRead->all()),
            'linksTo' => $this->whoMayRead->narrow($conversation->linkedConversation())->value('id'),
            ...$this->earlier($conversation),
        ];
    }

    /**
     * The last mail that was found not to come from whom it says, until a person has said that it does.
     *
     * @param  Collection<int, Message>  $said
     */
    private static function doubted(Conversation $conversation, Collection $said): ?Message
    {
        return $said
            ->where('direction', Message::IN)
            ->where('sender_check', SenderCheck::Failed)
            ->reject(static fn (Message $message): bool => in_array(
                mb_strtolower($message->from_address), AnswerRoutes::ownAddresses($conversation), true
            ))
            ->sortByDesc('id')
            ->first();
    }

    /**
     * @return array<string, Builder>
     */
    private function asks(Conversation $conversation, Teammate $teammate): array
    {
        $own = static fn (string $table): Builder => DB::table($table)
            ->where('conversation_id', $conversation->id)
            ->where('teammate_id', $teammate->id);

        return [
            'files' => DB::table('attachments')->whereIn('message_id', DB::table('messages')
                ->whereIn('conversation_id', $conversation->withJoined())
                ->select('id')),
            'ownFields' => DB::table('own_fields'),
            'tags' => DB::table('conversation_tag')->where('conversation_id', $conversation->id),
            'groups' => DB::table('customer_group_members')->where('customer_id', $conversation->customer_id),
            'notes' => DB::table('customer_notes')->where('customer_id', $conversation->customer_id),
            'companyProposals' => DB::table('company_proposals')
                ->where('customer_id', $conversation->customer_id)
                ->where('state', CompanyProposal::PROPOSED),
            'drafts' => $own('drafts'),
            'follows' => $own('follows'),
            'news' => $own('news')->whereNull('read_at'),
            'scheduled' => DB::table('scheduled_replies')
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('state', ScheduledReply::DUE),
            'partners' => DB::table('partner_threads')->whereIn('conversation_id', $conversation->withJoined()),
            'anyPartner' => DB::table('partner_threads'),
        ];
    }

    /**
     * What is chosen, from among what can be; what cannot be any more is fetched.
     *
     * @param  SupportCollection<int, Choice>  $choices
     */
    private static function chosen(SupportCollection $choices, string $table, ?int $id): ?Choice
    {
        $chosen = $id === null ? null : $choices->firstWhere('id', $id);
        $gone = $id === null || $chosen !== null ? null : DB::table($table)->find($id);

        return $gone === null ? $chosen : new Choice($id, (string) ($gone->path ?? $gone->name), (string) $gone->name);
    }

    private function loadIfThere(Conversation|Customer $of, WhatIsThere $there, string $relation): void
    {
        $there->has($relation) ? $of->load($relation) : $of->setRelation($relation, new Collection);
    }

    /**
     * @return array<string, Offer>
     */
    private function offers(Conversation $conversation): array
    {
        $now = now()->format('Y-m-d H:i:s');
        $readers = $this->whoMayRead->of($conversation->category_id);
        $team = static fn (): Builder => DB::table('teammates')->where('may_sign_in', true)
            ->when($readers !== null, static fn (Builder $team) => $team->whereIn('id', $readers));

        return [
            'teams' => new Offer(DB::table('teams'), 'name'),
            'tags' => new Offer(DB::table('tags')->whereNull('retired_at'), 'folded'),
            'teammates' => new Offer(
                $team(), 'name',
                also: "case when away_from <= '{$now}' and (away_until is null or away_until > '{$now}') then 'away' end"
            ),
            'approvers' => new Offer($team()->whereIn('role', Role::approving()), 'name'),
            'categories' => new Offer(DB::table('categories')->whereNull('retired_at'), 'position, id', 'path', also: 'name'),
            'outcomes' => new Offer(DB::table('outcomes')->whereNull('retired_at'), 'position, id'),
        ];
    }

    /**
     * What else there was with this customer.
     *
     * @return array{earlier: Collection<int, Conversation>, conversationCount: int}
     */
    private function earlier(Conversation $conversation): array
    {
        $of = fn () => $this->whoMayRead->narrow($conversation->customer->conversations());
        $earlier = $of()
            ->whereKeyNot($conversation->id)
            ->where('junk', false)
            ->orderByDesc('last_message_at')
            ->limit(self::EARLIER)
            ->select('conversations.*')
            ->selectSub($of()->selectRaw('count(*)'), 'of_all')
            ->get();

        return [
            'earlier' => $earlier,
            'conversationCount' => $earlier->isEmpty() ? $of()->count() : (int) $earlier->value('of_all'),
        ];
    }
}
