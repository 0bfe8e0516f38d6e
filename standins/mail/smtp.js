import { SMTPServer } from 'smtp-server';

const LARGEST = 40 * 1024 * 1024;

function refusal(code, text) {
    return Object.assign(new Error(text), { responseCode: code });
}

// Takes mail for any address and puts it into the address's mailbox. Each message is accepted only
// once it is stored; a sender that goes away before the answer has not handed it over.
export function listen(mailboxes, faults, port) {
    const accepted = [];
    const server = new SMTPServer({
        authOptional: true,
        disabledCommands: ['AUTH', 'STARTTLS'],
        size: LARGEST,
        logger: false,
        onConnect(session, answer) {
            answer(faults.strikes('refuse') ? refusal(421, 'Service not available, closing the channel') : null);
        },
        onMailFrom(sender, session, answer) {
            const refuses = sender.address.includes('+') && faults.strikes('sender');
            answer(refuses ? refusal(553, `5.7.1 Sender address rejected: ${sender.address} is not yours`) : null);
        },
        onRcptTo(recipient, session, answer) {
            answer(faults.strikes('permanent') ? refusal(550, `5.1.1 No mailbox ${recipient.address} here`) : null);
        },
        onData(stream, session, answer) {
            const chunks = [];
            const drops = faults.strikes('drop');
            stream.on('data', (chunk) => {
                chunks.push(chunk);
                if (drops) {
                    connection(session)?._socket.destroy();
                }
            });
            stream.on('end', () => {
                if (!drops) {
                    finish(Buffer.concat(chunks), stream, session).then(() => answer(null, 'OK: taken over'), answer);
                }
            });
        },
    });

    const connection = (session) => [...server.connections].find((open) => open.session.id === session.id);

    async function finish(raw, stream, session) {
        if (stream.sizeExceeded) {
            throw refusal(552, '5.3.4 Message too big');
        }
        if (faults.strikes('temporary')) {
            throw refusal(451, '4.3.0 Local error in processing, try again later');
        }
        if (faults.strikes('delay')) {
            await new Promise((go) => { setTimeout(go, faults.seconds * 1000); });
            if (!connection(session) || connection(session)._socket.destroyed) {
                throw refusal(421, 'The sender went away');
            }
        }
        const lost = (address) => address.includes('+') && faults.strikes('details');
        for (const recipient of session.envelope.rcptTo.filter(({ address }) => !lost(address))) {
            await mailboxes.deliver(recipient.address, raw);
        }
        accepted.push({ at: new Date().toISOString(), from: session.envelope.mailFrom.address, to: session.envelope.rcptTo.map((to) => to.address) });
    }

    server.on('error', (error) => console.error(`smtp: ${error.message}`));
    server.listen(port, '127.0.0.1');
    return { server, accepted };
}
