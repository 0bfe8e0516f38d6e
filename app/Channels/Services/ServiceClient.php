<?php

declare(strict_types=1);

namespace App\Channels\Services;

use App\Channels\Account;
use App\Support\HostRefused;
use App\Support\OutsideHosts;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Response;

/**
 * Speaks to the service of an account over HTTP, with its key. Only addresses that an administrator
 * has set are ever called, and redirects are not followed.
 */
final readonly class ServiceClient
{
    private const MOST_SECONDS_TO_WAIT = 600;

    public function __construct(private Factory $http, private OutsideHosts $hosts) {}

    /**
     * @param  array<string, string|int>  $query
     * @return array<array-key, mixed>
     *
     * @throws ServiceFault
     */
    public function get(Account $account, string $path, array $query = []): array
    {
        return $this->request($account, 'GET', $path, ['query' => $query]);
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  string|null  $once  sent along as Idempotency-Key: the same request twice does one thing
     * @return array<array-key, mixed>
     *
     * @throws ServiceFault
     */
    public function send(Account $account, string $method, string $path, array $body = [], ?string $once = null): array
    {
        return $this->request($account, $method, $path, ['json' => (object) $body], $once);
    }

    /**
     * @param  array<string, mixed>  $options
     * @return array<array-key, mixed>
     */
    private function request(Account $account, string $method, string $path, array $options, ?string $once = null): array
    {
        $service = $account->channel->label();
        $url = rtrim((string) ($account->settings['base_url'] ?? ''), '/');
        try {
            $response = $this->http
                ->baseUrl($url)
                ->withOptions($this->hosts->optionsFor($url))
                ->withToken($account->secrets['api_key'] ?? '')
                ->acceptJson()
                ->withHeaders($once === null ? [] : ['Idempotency-Key' => $once])
                ->withoutRedirecting()
                ->connectTimeout((int) config('cairnfield.services.connect_timeout'))
                ->timeout((int) config('cairnfield.services.timeout'))
                ->send($method, ltrim($path, '/'), $options);
        } catch (HostRefused $refused) {
            throw ServiceFault::notAsked($service, $refused);
        } catch (ConnectionException $fault) {
            throw ServiceFault::unreachable($service, $fault);
        }

        return $this->read($service, $response);
    }

    /**
     * @return array<array-key, mixed>
     */
    private function read(string $service, Response $response): array
    {
        $status = $response->status();
        if ($status === 429 || ($status === 503 && $response->header('Retry-After') !== '')) {
            throw ServiceFault::busy($service, max(1, min(self::MOST_SECONDS_TO_WAIT, (int) $response->header('Retry-After'))));
        }
        if ($status >= 500) {
            throw ServiceFault::broken($service, $status);
        }
        $body = json_decode($response->body(), true);
        if ($status >= 300) {
            $why = is_array($body) && is_string($body['message'] ?? null) ? $body['message'] : 'without saying why.';
            throw ServiceFault::refused($service, $status, mb_substr($why, 0, 300));
        }

        return is_array($body) ? $body : throw ServiceFault::unreadable($service);
    }
}
