// What a stand-in knows, kept in one JSON file of its own. Written soon after each change, whole or
// not at all; begun anew by `seed` where there is no file yet.
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export function openStore(file, seed) {
    mkdirSync(path.dirname(file), { recursive: true });
    const data = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : seed();
    let timer = null;
    const write = () => {
        timer = null;
        writeFileSync(`${file}.new`, JSON.stringify(data));
        renameSync(`${file}.new`, file);
    };
    const changed = () => { timer ??= setTimeout(write, 150); };
    for (const signal of ['SIGTERM', 'SIGINT']) {
        process.on(signal, () => { write(); process.exit(0); });
    }
    if (!existsSync(file)) {
        changed();
    }
    return { data, changed };
}
