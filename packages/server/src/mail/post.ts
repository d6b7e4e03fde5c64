import nodemailer from 'nodemailer';
import type { Config } from '../config';
import type { Letter } from './letters';

/** A server of mail that does not answer is given up after so long; the job tries again later. */
const PATIENCE_MS = 15_000;

/** Sends a letter. Throws when the mail server refuses it or does not answer. */
export async function post(
  mail: NonNullable<Config['mail']>,
  to: { readonly name: string; readonly email: string },
  { subject, text }: Letter,
  file?: { readonly name: string; readonly bytes: Buffer; readonly mediaType: string },
): Promise<void> {
  const transport = nodemailer.createTransport(withPatience(mail.smtpUrl), { from: mail.from });
  try {
    await transport.sendMail({
      to: { name: to.name, address: to.email },
      subject,
      text,
      // So that no machine answers to it.
      headers: { 'Auto-Submitted': 'auto-generated' },
      ...(file ? { attachments: [{ filename: file.name, content: file.bytes, contentType: file.mediaType }] } : {}),
    });
  } finally {
    transport.close();
  }
}

/** The address of a mail server with its patience set. */
export function withPatience(smtpUrl: string): string {
  const url = new URL(smtpUrl);
  for (const name of ['connectionTimeout', 'greetingTimeout', 'socketTimeout'])
    if (!url.searchParams.has(name)) url.searchParams.set(name, String(PATIENCE_MS));
  return url.toString();
}
