<?php

declare(strict_types=1);

namespace App\SignIn;

use App\Store\Store;
use App\Team\Teammate;
use Cairnfield\Core\Text\Folding;
use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * What a password must be (OWASP ASVS 5, 6.2): long, and not one that is tried first. Nothing is asked of which characters it has.
 */
final readonly class Password implements ValidationRule
{
    public const SHORTEST = 10;

    public const LONGEST = 200;

    public function __construct(private ?Teammate $of = null) {}

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $problem = is_string($value) ? $this->problem($value) : 'Write a password.';
        $problem === null ?: $fail($problem);
    }

    /**
     * @return string|null what is wrong with it, and how to mend that
     */
    public function problem(string $password): ?string
    {
        $length = mb_strlen($password);

        return match (true) {
            $length < self::SHORTEST => 'A password has at least '.self::SHORTEST.' characters; a few words are easy to remember.',
            $length > self::LONGEST => 'A password has at most '.self::LONGEST.' characters.',
            $this->isCommon($password) => 'This is one of the passwords that are tried first. A few words that do not belong together '
                .'are better.',
            $this->isAboutThem($password) => 'Leave your name, your address and the store’s name out of it: they are tried first.',
            count(array_unique(mb_str_split($password))) < 5 => 'Use more different characters.',
            default => null,
        };
    }

    /**
     * As it is, and without the digits and signs that are put behind a common one.
     */
    private function isCommon(string $password): bool
    {
        $small = mb_strtolower($password);
        $forms = array_unique([$small, (string) preg_replace('/[^\p{L}]+$/u', '', $small)]);
        $list = (string) file_get_contents(__DIR__.'/data/common-passwords.txt');

        return array_filter($forms, static fn (string $form): bool => $form !== '' && str_contains($list, "\n{$form}\n")) !== [];
    }

    private function isAboutThem(string $password): bool
    {
        $words = preg_split('/[^\p{L}\p{N}]+/u', Folding::fold(implode(' ', [
            $this->of->name ?? '', explode('@', $this->of->email ?? '')[0], Store::current()->name,
        ]))) ?: [];
        $left = Folding::fold($password);
        foreach ($words as $word) {
            $left = mb_strlen($word) < 4 ? $left : str_replace($word, '', $left);
        }

        return mb_strlen($left) < mb_strlen(Folding::fold($password)) && mb_strlen($left) < self::SHORTEST - 2;
    }
}
