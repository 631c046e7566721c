import type { ChannelId } from '../../core/channels/channels.ts';
import { findChannel } from '../../core/channels/channels.ts';

/** By which channel someone wants messages, and where; what is no address of it is an error at its field. */
export function readContact(text: (name: string) => string): {
  readonly channel: ChannelId | 'none';
  readonly address: string;
  readonly errors: Readonly<Record<string, string>>;
} {
  const channel = findChannel(text('channel'));
  if (!channel) return { channel: 'none', address: '', errors: {} };
  const address = text(channel.field);
  return {
    channel: channel.id,
    address,
    errors: channel.isAddress(address) ? {} : { [channel.field]: channel.refusal },
  };
}
