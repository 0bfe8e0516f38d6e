<?php

declare(strict_types=1);

use App\Channels\Account;
use App\SignIn\MailPass;
use App\SignIn\Pass;
use App\SignIn\Passes;
use App\SignIn\PassPurpose;
use App\SignIn\TellOfChange;
use Illuminate\Support\Str;

/*
 * What people are sent about their signing in, by the real mail server of the simulated world.
 */

beforeEach(function (): void {
    $this->ilse = $this->teammate('ilse');
    $this->ilse->forceFill(['email' => 'person-'.Str::lower(Str::random(12)).'@people.example'])->save();
    $this->mail = function (): string {
        $settings = Account::query()->firstOrFail();
        $box = imap_open(
            '{127.0.0.1:'.$settings->settings['imap_port'].'/imap/notls}INBOX', $this->ilse->email, $settings->secrets['imap_password']
        );
        $mail = imap_num_msg($box) === 1 ? imap_fetchheader($box, 1).quoted_printable_decode((string) imap_body($box, 1)) : '';
        imap_close($box);
        imap_errors();

        return $mail;
    };
});

it('mails a link that works, to whom it is for alone', function (): void {
    MailPass::dispatchSync($this->ilse->id, PassPurpose::Invitation, $this->teammate('corin')->id);
    $mail = ($this->mail)();
    expect($mail)->toContain('Corin Hale invites you')->toContain('Auto-Submitted: auto-generated')
        ->and(preg_match('#/pass/([A-Za-z0-9_-]{32})\s#', $mail, $key))->toBe(1)
        ->and(app(Passes::class)->open($key[1])?->teammate_id)->toBe($this->ilse->id);
});

it('mails nothing to whoever was deactivated meanwhile', function (): void {
    $this->ilse->forceFill(['may_sign_in' => false])->save();
    MailPass::dispatchSync($this->ilse->id, PassPurpose::Reset, null);
    expect(($this->mail)())->toBe('')->and(Pass::query()->exists())->toBeFalse();
});

it('tells what has changed, and what to do if it was not them', function (): void {
    TellOfChange::dispatchSync($this->ilse->id, 'Your password was changed.');
    expect(($this->mail)())->toContain('Your password was changed.')->toContain('/forgotten');
});
