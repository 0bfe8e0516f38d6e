<?php

declare(strict_types=1);

namespace App\Channels\WebForm;

use App\Channels\Account;
use App\Channels\AccountField;
use App\Channels\ChannelType;
use Closure;

/**
 * A form on the shop’s page, answered by email.
 */
final readonly class WebForm extends ChannelType
{
    public function label(): string
    {
        return 'Web form';
    }

    public function description(): string
    {
        return 'A form on your shop’s page; answered by email';
    }

    public function icon(): string
    {
        return 'form';
    }

    public function handleKind(): string
    {
        return 'email';
    }

    public function isOpenToStrangers(): bool
    {
        return true;
    }

    public function addressField(): AccountField
    {
        return AccountField::text(
            'address', 'Name in the address', ['required', 'regex:/^[a-z0-9-]{1,60}$/'], placeholder: 'contact',
            pattern: '[a-z0-9\-]+', help: 'The form is at /forms/ and this name.'
        );
    }

    public function fields(Account $account): array
    {
        return [
            'What customers see' => [
                AccountField::text('title', 'Heading', ['required', 'string', 'max:120'], 'Write to us'),
                AccountField::lines('introduction', 'Introduction', ['nullable', 'string', 'max:2000']),
                AccountField::lines(
                    'fields', 'Own fields, one a line; a star after it makes it required', ['nullable', 'string', 'max:2000'],
                    placeholder: 'Batch letter'
                ),
            ],
            'How it works' => [
                Account::answersByField('Answered from'),
                AccountField::lines(
                    'frame_origins', 'Sites that may show it in a frame, one a line', ['nullable', 'string', 'max:1000', $this->origins()],
                    placeholder: 'https://shop.example'
                ),
                AccountField::yesNo('receipt', 'Send a receipt with the number', true),
                AccountField::yesNo('returns', 'Ask what is to come back, and why: it waits as a return for your decision', true),
            ],
        ];
    }

    public function accountView(): string
    {
        return 'channels.forms.embedding';
    }

    private function origins(): Closure
    {
        return static function (string $attribute, mixed $value, Closure $fail): void {
            foreach (preg_split('/\s+/', (string) $value, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $origin) {
                if (preg_match('#^https?://[a-z0-9.-]+(:\d+)?$#Di', $origin) !== 1) {
                    $fail("“{$origin}” is not the address of a site. Write it like https://shop.example, without what comes after.");
                }
            }
        };
    }
}
