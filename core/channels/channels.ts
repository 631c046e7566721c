import type { Channel } from './channel.ts';
import { email } from './email.ts';
import { text } from './text.ts';

/** Every channel; what one of them is for is asked of it, by no name. */
const CHANNELS = { email, text } as const;

export type ChannelId = keyof typeof CHANNELS;

const LIST: readonly Channel<ChannelId>[] = Object.values(CHANNELS);

export const channelOf = (id: ChannelId): Channel<ChannelId> => CHANNELS[id];

/** The channel of this name, where there is one. */
export const findChannel = (id: string): Channel<ChannelId> | undefined => LIST.find((channel) => channel.id === id);

/** The channel that an address is of, where it is one of any. */
export const channelOfAddress = (address: string): Channel<ChannelId> | undefined =>
  LIST.find((channel) => channel.isAddress(address));
