<?php

declare(strict_types=1);

namespace App\Conversations\Journal;

/**
 * What brought something about: the rule in its version, the template of whose steps it is one, the change of many at once, the
 * nudge plan, the approval, the account by which something came in.
 */
final readonly class Cause
{
    /**
     * @param  int  $id  of the rule, template, change of many, plan, approval, account or import
     * @param  int|null  $version  of a rule
     * @param  int|null  $depth  from 1: how many rules, one waking the next
     * @param  string  $step  the change that a step of a template makes
     * @param  self|null  $within  what brought that about in turn
     */
    public function __construct(
        public CauseKind $kind,
        public int $id,
        public string $name,
        public ?int $version = null,
        public ?int $depth = null,
        public string $step = '',
        public ?self $within = null,
    ) {}

    public static function rule(int $id, string $name, int $version, int $depth): self
    {
        return new self(CauseKind::Rule, $id, $name, $version, $depth);
    }

    public static function step(int $template, string $name, string $step): self
    {
        return new self(CauseKind::Step, $template, $name, step: $step);
    }

    public static function of(CauseKind $kind, int $id, string $name = ''): self
    {
        return new self($kind, $id, $name);
    }

    public function within(?self $outer): self
    {
        return new self($this->kind, $this->id, $this->name, $this->version, $this->depth, $this->step, $outer);
    }

    /**
     * The rule that it goes back to.
     */
    public function asRule(): ?self
    {
        return $this->kind === CauseKind::Rule ? $this : $this->within?->asRule();
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return array_filter([
            'kind' => $this->kind->value, 'id' => $this->id, 'name' => $this->name, 'version' => $this->version,
            'depth' => $this->depth, 'step' => $this->step, 'within' => $this->within?->toArray(),
        ], static fn (mixed $one): bool => $one !== null && $one !== '');
    }

    /**
     * @param  array<string, mixed>  $written
     */
    public static function read(array $written): self
    {
        return new self(
            CauseKind::from((string) $written['kind']), (int) $written['id'], (string) ($written['name'] ?? ''),
            isset($written['version']) ? (int) $written['version'] : null,
            isset($written['depth']) ? (int) $written['depth'] : null,
            (string) ($written['step'] ?? ''),
            isset($written['within']) ? self::read((array) $written['within']) : null,
        );
    }
}
