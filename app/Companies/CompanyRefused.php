<?php

declare(strict_types=1);

namespace App\Companies;

use App\Support\Refused;

/**
 * An action on companies that is not possible as things stand, said to the person who tried it.
 */
final class CompanyRefused extends Refused
{
    public static function noDomain(string $written): self
    {
        return new self(
            'no_domain', '“'.mb_substr($written, 0, 100).'” is no mail domain. Write what stands after the @, like kitebarn.example.'
        );
    }

    public static function domainOfEverybody(string $domain): self
    {
        return new self(
            'domain_of_everybody', "Anybody can have a mailbox at {$domain}: it says nothing of where somebody works. "
                .'Add such people to the company one by one.'
        );
    }

    public static function ownDomain(string $domain): self
    {
        return new self('own_domain', "{$domain} is where this store itself writes from.");
    }

    public static function domainTaken(string $domain, string $name): self
    {
        return new self('domain_taken', "{$domain} belongs to {$name}. If they are one company, merge the two.");
    }

    public static function mergedPerson(string $name): self
    {
        return new self('merged_person', "{$name} has been merged into another customer. Choose that one.");
    }

    public static function mergedAlready(string $name): self
    {
        return new self('merged_already', "{$name} has been merged into another company already.");
    }

    public static function sameCompany(): self
    {
        return new self('same_company', 'That is the same company. Choose another one to merge with.');
    }

    public static function undoneAlready(): self
    {
        return new self('undone_already', 'This merge has been undone already.');
    }

    public static function mergedSince(): self
    {
        return new self('merged_since', 'Since then the company was merged once more. Undo the later merge first.');
    }

    public static function hasPeople(string $name): self
    {
        return new self('has_people', "{$name} has people, or is part of a merge. Take its people out of it or undo the merge first.");
    }

    public static function nobody(string $written): self
    {
        return new self(
            'nobody', '“'.mb_substr($written, 0, 100).'” is nobody’s address or customer number here. Somebody who has never written '
                .'can be added once they have.'
        );
    }
}
