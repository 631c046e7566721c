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

/** People by the channel that tells them; channels that tell nobody are left out. */
export type ToldBy = Readonly<Partial<Record<ChannelId, number>>>;

/** Of people, each with the channel that tells them or none, how many each tells. */
export function countTold(channels: readonly (ChannelId | undefined)[]): ToldBy {
  const told: Partial<Record<ChannelId, number>> = {};
  for (const id of channels) if (id !== undefined) told[id] = (told[id] ?? 0) + 1;
  return told;
}

export const sumTold = (told: ToldBy): number => Object.values(told).reduce((sum, people) => sum + people, 0);

/** `20 by e-mail`, `4 by text`: in the order of the channels. */
export const toldWords = (told: ToldBy): string[] =>
  LIST.flatMap((channel) => (told[channel.id] ? [`${told[channel.id]} ${channel.told}`] : []));
