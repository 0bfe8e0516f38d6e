<?php

declare(strict_types=1);

namespace App\Channels;

/**
 * One thing that an account of a channel needs, as its form asks for it.
 */
final readonly class AccountField
{
    public const TEXT = 'text';

    public const LINES = 'lines';

    public const CHOICE = 'choice';

    public const YES_NO = 'yes_no';

    /** Kept encrypted and never shown again: an empty field means as it was. */
    public const SECRET = 'secret';

    /**
     * @param  list<mixed>  $rules  as the validator knows them
     * @param  mixed  $usual  what stands there where nothing has been set
     * @param  array<array-key, string>  $options  labels by value, of a choice
     * @param  list<string>  $goesTo  of a secret: the settings that say where it is sent
     */
    private function __construct(
        public string $name,
        public string $label,
        public string $kind,
        public array $rules,
        public mixed $usual = '',
        public array $options = [],
        public string $type = 'text',
        public string $placeholder = '',
        public string $pattern = '',
        public string $help = '',
        public array $goesTo = [],
    ) {}

    /**
     * @param  list<mixed>  $rules
     * @param  string  $type  of the input, as HTML knows it; `number` asks for digits
     */
    public static function text(
        string $name, string $label, array $rules, mixed $usual = '', string $type = 'text', string $placeholder = '',
        string $pattern = '', string $help = ''
    ): self {
        return new self($name, $label, self::TEXT, $rules, $usual, [], $type, $placeholder, $pattern, $help);
    }

    /**
     * @param  list<mixed>  $rules
     */
    public static function lines(
        string $name, string $label, array $rules, mixed $usual = '', string $placeholder = '', string $help = ''
    ): self {
        return new self($name, $label, self::LINES, $rules, $usual, placeholder: $placeholder, help: $help);
    }

    /**
     * @param  list<mixed>  $rules
     * @param  array<array-key, string>  $options
     */
    public static function choice(string $name, string $label, array $rules, array $options, mixed $usual = ''): self
    {
        return new self($name, $label, self::CHOICE, $rules, $usual, $options);
    }

    public static function yesNo(string $name, string $label, bool $usual): self
    {
        return new self($name, $label, self::YES_NO, ['nullable', 'boolean'], $usual);
    }

    /**
     * @param  list<string>  $goesTo  the settings that say where it is sent: once one of them changes, it is asked for anew
     * @param  bool  $isRequired  whether there is none yet, and it cannot be without
     */
    public static function secret(string $name, string $label, array $goesTo, bool $isRequired = false): self
    {
        return new self($name, $label, self::SECRET, [$isRequired ? 'required' : 'nullable', 'string', 'max:1000'], goesTo: $goesTo);
    }

    /**
     * Where what was written leads; null where it leads nowhere.
     *
     * @return string|null a host
     */
    public function hostIn(string $value): ?string
    {
        return match (true) {
            $this->type === 'url' => (string) parse_url($value, PHP_URL_HOST),
            str_ends_with($this->name, '_host') => $value,
            default => null,
        };
    }

    public function isRequired(): bool
    {
        return in_array('required', $this->rules, true);
    }
}
