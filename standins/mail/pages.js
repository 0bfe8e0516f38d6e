import { KINDS } from './faults.js';
import { people, shopAddresses } from './people.js';

const escape = (text) => String(text ?? '').replace(/[&<>"']/g, (character) => `&#${character.charCodeAt(0)};`);

const link = (path, values) => `${path}?${new URLSearchParams(values)}`;

// The consoles of the other services.
const others = () => (process.env.STANDIN_LINKS ?? '').split(' ').slice(1).map((link) => {
    const [name, url] = link.split('=');
    return `<a href="${escape(url)}">${escape(name.replaceAll('_', ' '))}</a>`;
}).join(' ');

function page(title, body) {
    return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escape(title)} – the outside world</title><link rel="stylesheet" href="/style.css"></head>
<body><header><a href="/">The outside world: mail</a> <a href="/write">Write as a customer</a> <a href="/faults">Faults</a> ${others()}</header>
<main><h1>${escape(title)}</h1>
${body}
</main></body></html>`;
}

export const style = `
:root { color-scheme: light; font: 16px/1.45 system-ui, sans-serif; color: #222; background: #eef1f4; }
body { margin: 0 auto; max-width: 60rem; padding: 0 1rem 3rem; }
header { display: flex; gap: 1.5rem; padding: 1rem 0; border-bottom: 2px solid #445; }
a { color: #134a86; }
label { display: block; margin-top: .8rem; font-weight: 600; }
input, select, textarea { font: inherit; width: 100%; box-sizing: border-box; padding: .4rem; border: 1px solid #667; border-radius: 3px; background: #fff; }
textarea { min-height: 11rem; }
button { font: inherit; margin-top: 1rem; padding: .5rem 1.2rem; border: 0; border-radius: 3px; color: #fff; background: #134a86; }
table { border-collapse: collapse; width: 100%; background: #fff; }
th, td { text-align: left; padding: .4rem .6rem; border-bottom: 1px solid #ccd; vertical-align: top; }
pre { white-space: pre-wrap; overflow-wrap: anywhere; background: #fff; padding: 1rem; }
.said { background: #dff0df; padding: .6rem 1rem; }
`;

export function mailboxes(boxes) {
    const rows = boxes.map(({ address, count }) => `<tr><td><a href="${escape(link('/mailbox', { address }))}">${escape(address)}</a></td><td>${count}</td></tr>`);
    return page('Mailboxes', `<table><thead><tr><th scope="col">Address</th><th scope="col">Messages</th></tr></thead><tbody>${rows.join('') || '<tr><td colspan="2">No mail has been sent yet.</td></tr>'}</tbody></table>`);
}

export function mailbox(address, messages) {
    const rows = messages.map(({ name, from, subject, date }) => `<tr>
<td><a href="${escape(link('/message', { address, name }))}">${escape(subject || '(no subject)')}</a></td><td>${escape(from)}</td><td>${escape(date)}</td></tr>`);
    return page(`Mailbox of ${address}`, `<p><a href="${escape(link('/write', { from: address }))}">Write as ${escape(address)}</a></p>
<table><thead><tr><th scope="col">Subject</th><th scope="col">From</th><th scope="col">Date</th></tr></thead><tbody>${rows.join('') || '<tr><td colspan="3">Nothing here yet.</td></tr>'}</tbody></table>`);
}

export function message(address, name, parsed) {
    const files = parsed.attachments.map((file) => `<li>${escape(file.filename ?? 'no name')} (${file.size} bytes)</li>`).join('');
    const header = ['from', 'to', 'reply-to', 'date', 'message-id', 'in-reply-to', 'references', 'auto-submitted']
        .filter((field) => parsed.headerLines.some((line) => line.key === field))
        .map((field) => `<tr><th scope="row">${field}</th><td>${escape(parsed.headerLines.find((line) => line.key === field).line.replace(/^[^:]+:\s*/, ''))}</td></tr>`)
        .join('');
    return page(parsed.subject || '(no subject)', `<table><tbody>${header}</tbody></table>
<pre tabindex="0" aria-label="Text of the message">${escape(parsed.text)}</pre>
${files ? `<h2>Files</h2><ul>${files}</ul>` : ''}
<p><a href="${escape(link('/write', { from: address, reply: name }))}">Answer it</a> · <a href="${escape(link('/raw', { address, name }))}">As it came</a> · <a href="${escape(link('/mailbox', { address }))}">Back to the mailbox</a></p>`);
}

export function write({ from = '', to = shopAddresses[0], subject = '', text = '', inReplyTo = '', references = '', said = '' }) {
    const names = people.map(([name, address]) => `<option value="${escape(`${name} <${address}>`)}"></option>`).join('');
    const known = people.find(([, address]) => address === from);
    return page(inReplyTo ? 'Answer as a customer' : 'Write as a customer', `${said ? `<p class="said" role="status">${escape(said)}</p>` : ''}
<form method="post" action="/write" enctype="multipart/form-data">
<label for="from">From</label><input id="from" name="from" list="people" required value="${escape(known ? `${known[0]} <${known[1]}>` : from)}"><datalist id="people">${names}</datalist>
<label for="to">To</label><input id="to" name="to" list="shop" required value="${escape(to)}"><datalist id="shop">${shopAddresses.map((address) => `<option value="${address}"></option>`).join('')}</datalist>
<label for="subject">Subject</label><input id="subject" name="subject" value="${escape(subject)}">
<label for="text">Text</label><textarea id="text" name="text">${escape(text)}</textarea>
<label for="html">HTML, where it should have some</label><textarea id="html" name="html"></textarea>
<label for="files">Files</label><input id="files" name="files" type="file" multiple>
<input type="hidden" name="inReplyTo" value="${escape(inReplyTo)}"><input type="hidden" name="references" value="${escape(references)}">
<button type="submit">Send</button></form>`);
}

export function faultPage(faults, accepted) {
    const { kind, times, seconds } = faults.describe();
    const choices = Object.entries(KINDS).map(([name, text]) => `<option value="${name}"${name === kind ? ' selected' : ''}>${escape(text)}</option>`).join('');
    const rows = accepted.slice(-20).reverse().map(({ at, from, to }) => `<tr><td>${escape(at)}</td><td>${escape(from)}</td><td>${escape(to.join(', '))}</td></tr>`).join('');
    return page('Faults of the mail server', `<form method="post" action="/faults" enctype="multipart/form-data">
<label for="kind">What goes wrong</label><select id="kind" name="kind">${choices}</select>
<label for="times">How many times (empty: until told otherwise)</label><input id="times" name="times" inputmode="numeric" value="${times ?? ''}">
<label for="seconds">Seconds of delay</label><input id="seconds" name="seconds" inputmode="numeric" value="${seconds}">
<button type="submit">Set</button></form>
<h2>Taken over lately</h2><table><thead><tr><th scope="col">At</th><th scope="col">From</th><th scope="col">To</th></tr></thead><tbody>${rows || '<tr><td colspan="3">Nothing yet.</td></tr>'}</tbody></table>`);
}

export function problem(text) {
    return page('That did not work', `<p>${escape(text)}</p><p><a href="/">Back to the mailboxes</a></p>`);
}
