<?php

declare(strict_types=1);

use App\Support\HostIsInside;
use App\Support\HostIsUnknown;
use App\Support\OutsideHosts;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /**
     * What was connected before hosts inside had to be allowed goes on: whoever connected it meant it.
     */
    public function up(): void
    {
        $hosts = app(OutsideHosts::class);
        foreach ($this->hosts() as $host) {
            try {
                $hosts->addressesOf($host);
            } catch (HostIsUnknown) {
                continue;
            } catch (HostIsInside) {
                $hosts->allow($host);
            }
        }
    }

    /**
     * @return list<string>
     */
    private function hosts(): array
    {
        $used = DB::table('hooks')->pluck('address')
            ->map(static fn (string $address): string => (string) parse_url($address, PHP_URL_HOST));
        foreach (DB::table('accounts')->pluck('settings') as $settings) {
            $settings = (array) json_decode((string) $settings, true);
            $used->push(
                $settings['imap_host'] ?? '', $settings['smtp_host'] ?? '', parse_url((string) ($settings['base_url'] ?? ''), PHP_URL_HOST)
            );
        }

        return array_values($used->filter(static fn (mixed $host): bool => is_string($host) && $host !== '')->unique()->all());
    }
};
