<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Support\Arr;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;

/**
 * A page as it is seen: a browser shows any run of spaces and line breaks as one space.
 *
 * @extends TestResponse<Response>
 */
final class SeenPage extends TestResponse
{
    public function assertSee($value, $escape = true): static
    {
        foreach ($this->wanted($value, $escape) as $one) {
            Assert::assertStringContainsString($one, self::seen((string) $this->getContent()));
        }

        return $this;
    }

    public function assertDontSee($value, $escape = true): static
    {
        foreach ($this->wanted($value, $escape) as $one) {
            Assert::assertStringNotContainsString($one, self::seen((string) $this->getContent()));
        }

        return $this;
    }

    public function assertSeeInOrder(array $values, $escape = true): static
    {
        $page = self::seen((string) $this->getContent());
        $from = 0;
        foreach ($this->wanted($values, $escape) as $one) {
            $at = strpos($page, $one, $from);
            Assert::assertNotFalse($at, "“{$one}” is not seen, or stands before what was to come before it, in:\n{$page}");
            $from = $at + strlen($one);
        }

        return $this;
    }

    /**
     * @param  string|list<string>  $values
     * @return list<string>
     */
    private function wanted(string|array $values, bool $escape): array
    {
        return array_map(
            static fn (mixed $one): string => self::seen($escape ? (string) e($one) : (string) $one), array_values(Arr::wrap($values))
        );
    }

    private static function seen(string $html): string
    {
        return (string) preg_replace(['/\s+/u', '/ >/'], [' ', '>'], $html);
    }
}
