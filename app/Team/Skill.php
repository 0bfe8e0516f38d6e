<?php

declare(strict_types=1);

namespace App\Team;

use App\Support\Row;
use Cairnfield\Core\Text\Folding;

/**
 * Something that not everybody can do: wholesale, a marketplace, repairs. Languages are beside these.
 *
 * @property int $id
 * @property string $name
 * @property string $folded
 */
final class Skill extends Row
{
    public $timestamps = false;

    private const MOST = 20;

    protected $table = 'skills';

    protected $guarded = ['*'];

    /**
     * Those named, with commas between; what is not there yet is made.
     *
     * @return list<int>
     */
    public static function named(string $written): array
    {
        $ids = [];
        foreach (array_slice(preg_split('/\s*[,;\n]\s*/u', trim($written), -1, PREG_SPLIT_NO_EMPTY) ?: [], 0, self::MOST) as $name) {
            $name = mb_substr(trim((string) preg_replace('/\s+/u', ' ', $name)), 0, 60);
            $folded = mb_substr(Folding::fold($name), 0, 60);
            if ($folded !== '') {
                $skill = self::query()->where('folded', $folded)->first() ?? (new self)->forceFill(['name' => $name, 'folded' => $folded]);
                $skill->exists ?: $skill->save();
                $ids[$skill->id] = $skill->id;
            }
        }

        return array_values($ids);
    }

    /**
     * As the core's turns name it, apart from the codes of languages.
     */
    public function key(): string
    {
        return "skill:{$this->id}";
    }
}
