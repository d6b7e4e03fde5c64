// A mail server that keeps what it is sent and delivers nothing: what the demo and the tests write can be read here.
import { createServer, type Server } from 'node:http';
import PostalMime from 'postal-mime';
import { SMTPServer } from 'smtp-server';

/** A letter as it came. */
export interface ReceivedMail {
  readonly to: readonly string[];
  readonly subject: string;
  readonly text: string;
  readonly files: readonly { readonly name: string; readonly base64: string }[];
}

const MOST = 200;
const asText = (text: string) => text.replace(/[&<>]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[c] ?? c);

/** A mail server that is up. */
export interface Mailbox {
  /** Where it takes mail. */
  readonly smtpUrl: string;
  /** Where its letters are: `/` to read, `/letters` as JSON. */
  readonly url: string;
  readonly letters: readonly ReceivedMail[];
  close(): Promise<void>;
}

/** Starts it on loopback. @param smtpPort - Where it takes mail; 0 takes any that is free. */
export async function openMailbox(smtpPort = 0): Promise<Mailbox> {
  const letters: ReceivedMail[] = [];
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    size: 10 * 1024 * 1024,
    onData(stream, session, done) {
      const parts: Buffer[] = [];
      stream.on('data', (d: Buffer) => parts.push(d));
      stream.on('end', () => {
        PostalMime.parse(Buffer.concat(parts)).then(
          (mail) => {
            letters.push({
              to: session.envelope.rcptTo.map((r) => r.address),
              subject: mail.subject ?? '',
              text: mail.text ?? '',
              files: mail.attachments.map((a) => ({
                name: a.filename ?? '',
                base64: Buffer.from(typeof a.content === 'string' ? a.content : new Uint8Array(a.content)).toString('base64'),
              })),
            });
            if (letters.length > MOST) letters.shift();
            done();
          },
          (error: Error) => done(error),
        );
      });
    },
  });
  // A sender that goes away in the middle is no fault of this server.
  smtp.on('error', () => undefined);
  const pages = createServer((request, response) => {
    if (request.url === '/letters') {
      response.setHeader('Content-Type', 'application/json');
      return response.end(JSON.stringify(letters));
    }
    response.setHeader('Content-Type', 'text/html; charset=utf-8');
    const shown = [...letters]
      .reverse()
      .map(
        (l) =>
          `<article><h2>${asText(l.subject)}</h2><p>to ${asText(l.to.join(', '))}</p><pre>${asText(l.text)}</pre>${l.files.map((f) => `<p>with ${asText(f.name)}</p>`).join('')}</article>`,
      );
    response.end(
      `<!doctype html><html lang="en"><title>Letters of the demo</title><body style="font:16px sans-serif;max-width:44rem;margin:2rem auto"><h1>Letters of the demo</h1><p>Nothing was delivered to anybody.</p>${shown.join('<hr>') || '<p>None yet.</p>'}</body></html>`,
    );
  });
  await new Promise<void>((resolve) => smtp.listen(smtpPort, '127.0.0.1', resolve));
  await new Promise<void>((resolve) => pages.listen(0, '127.0.0.1', resolve));
  return {
    smtpUrl: `smtp://127.0.0.1:${portOf(smtp.server.address())}`,
    url: `http://127.0.0.1:${portOf(pages.address())}`,
    letters,
    close: async () => {
      pages.close();
      pages.closeAllConnections();
      await new Promise<void>((resolve) => smtp.close(() => resolve()));
    },
  };
}

const portOf = (address: ReturnType<Server['address']>): number => (typeof address === 'object' && address ? address.port : 0);

/** The same as a process of its own, which says where it is. */
export async function startMailbox(smtpPort: number): Promise<void> {
  const box = await openMailbox(smtpPort);
  process.stdout.write(`takes mail on ${box.smtpUrl}\nlistening on ${box.url}\n`);
  process.on('SIGTERM', () => void box.close().then(() => process.exit(0)));
}
