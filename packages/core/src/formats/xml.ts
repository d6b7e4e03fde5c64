// A tree-less walk over XML (saxes). Nothing is fetched and no entity of a document's own is expanded, so that neither an
// "XML bomb" nor a link can do anything.
import { SaxesParser } from 'saxes';
import { fieldOf } from '../units/indexed';
import { requireSize, UnreadableFile } from './refused';

/** Called for each element's end with its local name, attributes of its start, text and line. */
export interface XmlHandlers {
  open(name: string, attributes: Readonly<Record<string, string>>, line: number): void;
  close(name: string, text: string, line: number): void;
}

const DEEPEST = 60;
const CHUNK = 1 << 20;

/**
 * Walks a document. Throws UnreadableFile where it is not well formed, defines entities of its own, or nests deeper than
 * any such file does.
 */
export function walkXml(text: string, handlers: XmlHandlers): void {
  requireSize(text.length);
  const parser = new SaxesParser({ xmlns: false, position: true });
  const texts: string[] = [];
  const local = (name: string) => name.slice(name.indexOf(':') + 1);
  const fail = (reason: string, remedy: string): never => {
    throw new UnreadableFile(`Line ${parser.line}: ${reason}`, remedy);
  };
  parser.on('error', (e) => fail(e.message.replace(/^\d+:\d+: /, ''), 'Export the file again from where it came; this one is damaged.'));
  parser.on('doctype', (d) => {
    if (/<!ENTITY/i.test(d)) fail('it defines entities of its own, which are not read', 'Take the DOCTYPE out of the file.');
  });
  parser.on('opentag', (tag) => {
    if (texts.length >= DEEPEST) fail(`elements nest deeper than ${DEEPEST}`, 'This is not a file of places.');
    texts.push('');
    const attributes: Record<string, string> = {};
    for (const [k, v] of Object.entries(tag.attributes)) attributes[local(k)] = String(v);
    handlers.open(local(tag.name), attributes, parser.line);
  });
  const add = (t: string) => {
    if (texts.length > 0) texts[texts.length - 1] += t;
  };
  parser.on('text', add);
  parser.on('cdata', add);
  parser.on('closetag', (tag) => handlers.close(local(tag.name), (texts.pop() ?? '').trim(), parser.line));
  for (let i = 0; i < text.length; i += CHUNK) parser.write(text.slice(i, i + CHUNK));
  parser.close();
}

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };

/** Text made safe inside an element or attribute. */
export function escapeXml(text: string): string {
  return (
    text
      .replace(/[&<>"']/g, (c) => fieldOf(ESCAPES, c))
      // Characters that XML 1.0 cannot hold.
      .replace(/[^\t\n\r\u0020-\uD7FF\uE000-\uFFFD\u{10000}-\u{10FFFF}]/gu, '')
  );
}
