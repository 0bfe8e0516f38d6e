<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Support\Refused;
use Cairnfield\Core\Templates\Gap;

/**
 * An action that is not possible as things stand, said to the person who tried it.
 */
final class ConversationRefused extends Refused
{
    public static function ownedBy(string $name): self
    {
        return new self('owned_by', "{$name} has taken this conversation in the meantime. Take it over if that is agreed.");
    }

    public static function readByOthers(string $kept, string $joined): self
    {
        return new self('read_by_others',
            "{$kept} and {$joined} are not read by the same people: the category of one is for its members alone. Sort both alike first."
        );
    }

    public static function forMembersAlone(string $name, Conversation $conversation): self
    {
        $category = (string) $conversation->category()->value('path');

        return new self('for_members_alone',
            "{$conversation->number()} is for the members of “{$category}” alone, and {$name} is none of them. Choose one of them, or sort "
            .'it elsewhere.'
        );
    }

    public static function nothingWritten(): self
    {
        return new self('nothing_written', 'There is nothing to send yet: write an answer or attach a file.');
    }

    public static function emptyNote(): self
    {
        return new self('empty_note', 'The note is empty: write something for the team first.');
    }

    public static function nobodyToAnswer(): self
    {
        return new self('nobody_to_answer', 'No message of this conversation has an address to answer to.');
    }

    public static function nobodyKnownOfOrder(string $number): self
    {
        return new self('nobody_known_of_order', "The shop says nobody’s address with order {$number}, so that nobody is known to be it.");
    }

    public static function senderNotDoubted(): self
    {
        return new self('sender_not_doubted', 'No mail server has found anything against who wrote this.');
    }

    public static function chooseWay(): self
    {
        return new self('choose_way', 'Choose first how to answer: in public, where everybody can read it, or by direct message.');
    }

    /**
     * @param  non-empty-list<Gap>  $gaps
     */
    public static function unfilled(array $gaps): self
    {
        $where = array_map(static fn (Gap $gap): string => "{{ {$gap->name} }} in line {$gap->line}", $gaps);

        return new self('unfilled',
            'Not sent: '.implode(' and ', $where).(
                count($gaps) === 1 ? ' is not filled. Write what belongs there.' : ' are not filled. Write what belongs there.'
            )
        );
    }

    public static function tooLong(string $channel, int $length, int $longest): self
    {
        return new self(
            'too_long',
            "The answer has {$length} characters, and {$channel} takes at most {$longest}. Shorten it, or send it in two."
        );
    }

    /**
     * @param  list<string>  $found
     */
    public static function contactDetails(string $channel, array $found): self
    {
        return new self(
            'contact_details',
            "{$channel} allows no links and no email addresses in answers. Take these out: ".implode(', ', $found).'.'
        );
    }

    public static function answeredOnce(string $channel): self
    {
        return new self('answered_once', "{$channel} allows one public answer to a rating, and this one has it.");
    }

    public static function noFiles(string $channel): self
    {
        return new self('no_files', "{$channel} takes no files. Take them away, or answer by email.");
    }

    /**
     * @param  list<string>  $fields
     */
    public static function fieldsMissing(array $fields): self
    {
        return new self('fields_missing',
            'Before it is resolved, fill in '.implode(
                ' and ', array_map(static fn (string $field): string => "“{$field}”", $fields)
            ).', beside the conversation.'
        );
    }

    public static function noAddress(string $address): self
    {
        return new self('no_address', "“{$address}” is no address that mail can be sent to. Write it as name@place.example.");
    }

    public static function tooManyRecipients(int $most): self
    {
        return new self('too_many_recipients', "More than {$most} addresses were written. Send it in parts.");
    }

    public static function copiesOnlyByMail(string $channel): self
    {
        return new self('copies_only_by_mail', "{$channel} takes no copies. Take the addresses in Cc and Bcc away, or answer by email.");
    }

    public static function sentInThePast(): self
    {
        return new self('sent_in_the_past', 'The time to send it has passed already. Choose a later one, or send it now.');
    }

    public static function nobodyToForwardTo(): self
    {
        return new self('nobody_to_forward_to', 'Write to whom it is to be forwarded.');
    }

    public static function askedCustomer(string $address): self
    {
        return new self(
            'asked_customer', "{$address} is the customer’s address: answer them, or let somebody do it who writes to customers."
        );
    }

    public static function strangePartner(string $address): self
    {
        return new self(
            'strange_partner', "Nobody of the care team has asked {$address} before. Let one of them ask the first time; then you can, too."
        );
    }

    public static function noFileAttached(string $words): self
    {
        return new self(
            'no_file_attached', "You write “{$words}”, and no file is attached. Attach it, or tick “without a file” and send again."
        );
    }

    /**
     * @param  string  $question  that was asked
     */
    public static function approvalWaits(string $question): self
    {
        return new self(
            'approval_waits', "“{$question}” still waits for its yes. Wait for it, or tick “although it waits” and send again."
        );
    }

    public static function dueInThePast(): self
    {
        return new self('due_in_the_past', 'The time by which it is to be done has passed already. Choose a later one.');
    }

    public static function notYours(): self
    {
        return new self('not_yours', 'Only who wrote it calls it back.');
    }

    public static function onItsWay(): self
    {
        return new self('on_its_way', 'It is on its way already and cannot be called back any more.');
    }

    public static function badTag(string $name, int $longest): self
    {
        return new self('bad_tag',
            trim($name) === ''
                ? 'A tag needs a name.'
                : "“{$name}” is too long for a tag, or has no letters: it takes at most {$longest} characters."
        );
    }

    public static function joinedAlready(): self
    {
        return new self('joined_already', 'One of the two is part of another conversation already. Look there.');
    }

    public static function joinsItself(): self
    {
        return new self('joins_itself', 'A conversation cannot be joined into itself. Write the number of another one.');
    }

    public static function nothingToJoin(): self
    {
        return new self('nothing_to_join', 'There is nothing to join: choose another conversation beside the one that stays.');
    }

    public static function noSuchNumber(string $number): self
    {
        return new self('no_such_number', "There is no conversation “{$number}”. Its number stands under its subject, such as C-1042.");
    }

    public static function onlyMessage(): self
    {
        return new self('only_message', 'It is the only message of this conversation: there is nothing to split it off from.');
    }

    public static function notTheCustomers(): self
    {
        return new self('not_the_customers', 'Only what the customer wrote can be split off.');
    }

    public static function notJoined(): self
    {
        return new self('not_joined', 'It is a conversation of its own already.');
    }

    public static function needsOutcome(): self
    {
        return new self('needs_outcome', 'Choose an outcome: it says why the conversation is resolved.');
    }

    public static function needsReason(): self
    {
        return new self('needs_reason', 'Say who it is held for and why, so that the others know.');
    }

    public static function comesBackInThePast(): self
    {
        return new self('comes_back_in_the_past', 'The time to bring it back has passed already. Choose a later one.');
    }

    public static function closed(string $number): self
    {
        return new self(
            'closed',
            "{$number} is closed and stays so. A new message from the customer begins a new conversation that links to it."
        );
    }

    public static function notResolved(): self
    {
        return new self('not_resolved', 'Only a resolved conversation can be closed for good. Resolve it first.');
    }

    public static function notResolvedYet(): self
    {
        return new self('not_resolved_yet', 'It is not resolved: hold it to have it come back at a time.');
    }

    public static function file(string $name, string $why): self
    {
        return new self('file', "“{$name}” was not attached: {$why}");
    }

    public static function nextOnly(string $team): self
    {
        return new self('next_only', "The team {$team} takes what is next: press N, or “Take the next one” in the queue.");
    }
}
