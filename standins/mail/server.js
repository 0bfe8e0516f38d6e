// The simulated world of mail: an SMTP listener, mailboxes that an IMAP server reads, and a page on
// which a person writes as any customer. Knows nothing of the application.
import { createServer } from 'node:http';
import { simpleParser } from 'mailparser';
import MailComposer from 'nodemailer/lib/mail-composer/index.js';
import { Faults } from './faults.js';
import { Mailboxes } from './maildir.js';
import * as pages from './pages.js';
import { listen } from './smtp.js';

const port = Number(process.env.STANDIN_HTTP_PORT ?? 8461);
const mailboxes = new Mailboxes(process.env.STANDIN_MAILDIRS);
const faults = new Faults();
const { accepted } = listen(mailboxes, faults, Number(process.env.STANDIN_SMTP_PORT ?? 8462));

async function form(request) {
    const body = new Request('http://standin', {
        method: 'POST',
        headers: { 'content-type': request.headers['content-type'] ?? '' },
        body: request,
        duplex: 'half',
    });
    return body.formData();
}

const quote = (text) => `\n\n> ${(text ?? '').trim().replaceAll('\n', '\n> ')}`;

async function writeForm(values) {
    const from = values.get('from') ?? '';
    const raw = values.get('reply') ? await mailboxes.read(from, values.get('reply')) : null;
    if (raw === null) {
        return pages.write({ from, to: values.get('to') ?? undefined });
    }
    const received = await simpleParser(raw);
    return pages.write({
        from,
        to: (received.replyTo ?? received.from)?.value[0]?.address,
        subject: /^re:/i.test(received.subject ?? '') ? received.subject : `Re: ${received.subject ?? ''}`,
        text: quote(received.text),
        inReplyTo: received.messageId,
        references: [received.references ?? [], received.messageId].flat().join(' '),
    });
}

async function send(values) {
    const files = await Promise.all(values.getAll('files').filter((file) => typeof file === 'object' && file.size > 0).map(async (file) => ({
        filename: file.name,
        contentType: file.type || 'application/octet-stream',
        content: Buffer.from(await file.arrayBuffer()),
    })));
    const to = values.get('to').split(',').map((address) => address.trim());
    const composer = new MailComposer({
        from: values.get('from'),
        to,
        subject: values.get('subject') || undefined,
        text: values.get('text') || undefined,
        html: values.get('html') || undefined,
        inReplyTo: values.get('inReplyTo') || undefined,
        references: values.get('references') || undefined,
        attachments: files,
    }).compile();
    const raw = await composer.build();
    for (const address of to) {
        await mailboxes.deliver(address.replace(/^.*<|>.*$/g, ''), raw);
    }
    return { messageId: composer.messageId() };
}

async function summary(address) {
    return Promise.all((await mailboxes.files(address)).slice(0, 200).map(async ({ name }) => {
        const parsed = await simpleParser(await mailboxes.read(address, name));
        return { name, from: parsed.from?.text ?? '', subject: parsed.subject ?? '', date: parsed.date?.toUTCString() ?? '' };
    }));
}

const html = (body) => ({ type: 'text/html; charset=utf-8', body });
const json = (value) => ({ type: 'application/json', body: JSON.stringify(value) });

const routes = {
    'GET /': async () => html(pages.mailboxes(await mailboxes.list())),
    'GET /style.css': async () => ({ type: 'text/css', body: pages.style }),
    'GET /mailbox': async ({ query }) => html(pages.mailbox(query.get('address'), await summary(query.get('address')))),
    'GET /message': async ({ query }) => {
        const raw = await mailboxes.read(query.get('address'), query.get('name'));
        return raw === null ? null : html(pages.message(query.get('address'), query.get('name'), await simpleParser(raw)));
    },
    'GET /raw': async ({ query }) => {
        const raw = await mailboxes.read(query.get('address'), query.get('name'));
        return raw === null ? null : { type: 'text/plain; charset=utf-8', body: raw };
    },
    'GET /write': async ({ query }) => html(await writeForm(query)),
    'POST /write': async ({ request }) => {
        const values = await form(request);
        const sent = await send(values);
        return request.headers.accept === 'application/json'
            ? json(sent)
            : html(pages.write({ from: values.get('from'), said: `Sent to ${values.get('to')}.` }));
    },
    'GET /faults': async ({ request }) => (request.headers.accept === 'application/json'
        ? json({ ...faults.describe(), accepted: accepted.length })
        : html(pages.faultPage(faults, accepted))),
    'POST /faults': async ({ request }) => {
        const values = await form(request);
        faults.set(values.get('kind'), Number(values.get('times') || Number.NaN), Number(values.get('seconds') || 0));
        return request.headers.accept === 'application/json' ? json(faults.describe()) : html(pages.faultPage(faults, accepted));
    },
};

createServer(async (request, response) => {
    const url = new URL(request.url, 'http://standin');
    let status = 200;
    let answer;
    try {
        answer = await routes[`${request.method} ${url.pathname}`]?.({ request, query: url.searchParams });
        if (!answer) {
            status = 404;
            answer = html(pages.problem('There is no such page or message here.'));
        }
    } catch (error) {
        status = 422;
        answer = html(pages.problem(error.message));
    }
    response.writeHead(status, { 'content-type': answer.type });
    response.end(answer.body);
}).listen(port, '127.0.0.1');
