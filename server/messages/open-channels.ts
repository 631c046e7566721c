import { linkSecret, mailFrom, smtpUrl, textGateway } from '../config.ts';
import type { Channels } from './channel.ts';
import { openSmtp } from './smtp.ts';
import { openTextGateway } from './text-gateway.ts';

/** The channels that the environment sets up; one that it doesn't name hands nothing on. Throws SettingError on a wrong setting. */
export function openChannels(): Channels {
  const smtp = smtpUrl();
  const gateway = textGateway();
  const mail = smtp && openSmtp(smtp, mailFrom(), linkSecret());
  return {
    hand: { email: mail?.hand, text: gateway && openTextGateway(gateway) },
    close: () => mail?.close(),
  };
}
