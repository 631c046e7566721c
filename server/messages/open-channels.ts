import { linkSecret, mailFrom, smtpUrl, textGateway } from '../config.ts';
import type { Channels } from './channel.ts';
import { openSmtp } from './smtp.ts';
import { openTextGateway } from './text-gateway.ts';

/** The doors that the environment names; one that it doesn't name stays shut. Throws SettingError on a wrong setting. */
export function openChannels(): Channels {
  const smtp = smtpUrl();
  const gateway = textGateway();
  const mail = smtp && openSmtp(smtp, mailFrom(), linkSecret());
  return { mail: mail?.send, text: gateway && openTextGateway(gateway), close: () => mail?.close() };
}
