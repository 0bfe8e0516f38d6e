import { randomUUID } from 'node:crypto';
import { chown, mkdir, readFile, readdir, rename, stat, writeFile } from 'node:fs/promises';
import { hostname } from 'node:os';
import path from 'node:path';

// One Maildir for each address, read by the IMAP server. A message appears whole or not at all:
// it is written to tmp/ and renamed into new/, as the Maildir format asks.
export class Mailboxes {
    constructor(root) {
        this.root = root;
    }

    // care+anything@x and Care@x are the mailbox care@x (subaddressing, RFC 5233).
    static normalise(address) {
        const bare = address.trim().toLowerCase().replace(/\+[^@]*(?=@)/, '');
        if (!/^[^\s/\\\0@.][^\s/\\\0@]*@[^\s/\\\0@]+$/.test(bare)) {
            throw new Error(`“${address}” is no address that can have a mailbox.`);
        }
        return bare;
    }

    folder(address) {
        return path.join(this.root, Mailboxes.normalise(address));
    }

    async deliver(address, raw) {
        const folder = this.folder(address);
        await this.#make(folder);
        const name = `${Math.floor(Date.now() / 1000)}.${randomUUID()}.${hostname().replace(/[/:]/g, '_')}`;
        const written = path.join(folder, 'tmp', name);
        await writeFile(written, raw);
        await this.#giveToReader(written);
        await rename(written, path.join(folder, 'new', name));
        return name;
    }

    async list() {
        const names = await readdir(this.root).catch(() => []);
        const boxes = await Promise.all(names.filter((name) => name.includes('@')).map(async (address) => ({
            address,
            count: (await this.files(address)).length,
        })));
        return boxes.sort((a, b) => a.address.localeCompare(b.address));
    }

    // Newest first.
    async files(address) {
        const folder = this.folder(address);
        const found = [];
        for (const part of ['new', 'cur']) {
            for (const name of await readdir(path.join(folder, part)).catch(() => [])) {
                const { mtimeMs } = await stat(path.join(folder, part, name)).catch(() => ({ mtimeMs: 0 }));
                found.push({ name: name.split(':')[0], file: path.join(folder, part, name), at: mtimeMs });
            }
        }
        return found.sort((a, b) => b.at - a.at || b.name.localeCompare(a.name));
    }

    async read(address, name) {
        const found = (await this.files(address)).find((message) => message.name === name);
        return found ? readFile(found.file) : null;
    }

    async #make(folder) {
        for (const part of ['', 'tmp', 'new', 'cur']) {
            const made = path.join(folder, part);
            await mkdir(made, { recursive: true });
            await this.#giveToReader(made);
        }
    }

    // The IMAP server reads as the owner of the root folder.
    async #giveToReader(file) {
        if (process.getuid() === 0) {
            const { uid, gid } = await stat(this.root);
            await chown(file, uid, gid);
        }
    }
}
