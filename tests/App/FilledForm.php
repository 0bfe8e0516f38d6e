<?php

declare(strict_types=1);

namespace Tests\App;

use DOMDocument;
use DOMElement;
use DOMXPath;
use Illuminate\Testing\TestResponse;
use RuntimeException;

/**
 * A form as it stands on a page, with everything that a browser would send from it: what is saved without being touched
 * must be what was shown.
 */
final class FilledForm
{
    /**
     * @param  list<array{string, string}>  $values  name and value of each control, in their order
     */
    private function __construct(public readonly string $action, public readonly string $method, private array $values) {}

    /**
     * @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $page
     * @param  string  $action  to which the form is sent
     */
    public static function on(TestResponse $page, string $action): self
    {
        $document = new DOMDocument;
        $document->loadHTML('<?xml encoding="utf-8">'.$page->getContent(), LIBXML_NOERROR | LIBXML_NOWARNING);
        $path = new DOMXPath($document);
        foreach ($path->query('//form') ?: [] as $form) {
            if ($form instanceof DOMElement && $form->getAttribute('action') === $action) {
                $values = [];
                foreach ($path->query('.//input | .//select | .//textarea', $form) ?: [] as $control) {
                    array_push($values, ...($control instanceof DOMElement ? self::sent($path, $control) : []));
                }

                return new self($action, strtolower($form->getAttribute('method')), $values);
            }
        }

        throw new RuntimeException("No form on the page is sent to {$action}.");
    }

    /**
     * @return array<string, mixed>
     */
    public function values(): array
    {
        parse_str(
            implode('&', array_map(static fn (array $one): string => urlencode($one[0]).'='.urlencode($one[1]), $this->values)),
            $values
        );

        return $values;
    }

    /**
     * @param  array<string, string|null>  $changes  by name, as it stands in the form; null leaves it out
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    public function send(AppTestCase $test, array $changes = []): TestResponse
    {
        $form = clone $this;
        $form->values = array_values(array_filter($form->values, static fn (array $one): bool => ! array_key_exists($one[0], $changes)));
        foreach ($changes as $name => $value) {
            $value === null ?: $form->values[] = [$name, $value];
        }

        return $test->call(strtoupper($this->method), $this->action, $form->values());
    }

    /**
     * @return list<array{string, string}>
     */
    private static function sent(DOMXPath $path, DOMElement $control): array
    {
        $name = $control->getAttribute('name');
        if ($name === '' || $control->hasAttribute('disabled')) {
            return [];
        }
        if ($control->tagName === 'select') {
            return self::chosen($path, $control, $name);
        }
        if ($control->tagName === 'textarea') {
            return [[$name, str_replace("\n", "\r\n", $control->textContent)]];
        }

        return match ($control->getAttribute('type')) {
            'checkbox', 'radio' => $control->hasAttribute('checked') ? [
                [$name, $control->hasAttribute('value') ? $control->getAttribute('value') : 'on'],
            ] : [],
            'submit', 'button', 'image', 'reset', 'file' => [],
            default => [[$name, $control->getAttribute('value')]],
        };
    }

    /**
     * @return list<array{string, string}>
     */
    private static function chosen(DOMXPath $path, DOMElement $select, string $name): array
    {
        $all = iterator_to_array($path->query('.//option', $select) ?: []);
        $chosen = array_filter($all, static fn ($option): bool => $option instanceof DOMElement && $option->hasAttribute('selected'));
        if ($chosen === [] && ! $select->hasAttribute('multiple')) {
            $chosen = array_slice($all, 0, 1);
        }
        $value = static fn (DOMElement $option): string => $option->hasAttribute('value')
            ? $option->getAttribute('value')
            : trim($option->textContent);

        return array_values(array_map(static fn (DOMElement $option): array => [$name, $value($option)], $chosen));
    }
}
