import type { Channel } from './channel.ts';
import { email } from './email.ts';
import { text } from './text.ts';

/** What can be asked of several channels, by no name. Each is called as its member says. */
export function registerChannels<Id extends string>(channels: { readonly [K in Id]: Channel<K> }) {
  const list = Object.values<Channel<Id>>(channels);
  return {
    channelOf: (id: Id): Channel<Id> => channels[id],
    /** The channel of this name, where there is one. */
    findChannel: (id: string): Channel<Id> | undefined => list.find((channel) => channel.id === id),
    /** The channel that an address is of, where it is one of any. */
    channelOfAddress: (address: string): Channel<Id> | undefined => list.find((channel) => channel.isAddress(address)),
    /** `20 by e-mail`, `4 by text`: in the order of the channels. */
    toldWords: (told: Readonly<Partial<Record<Id, number>>>): string[] =>
      list.flatMap((channel) => (told[channel.id] ? [`${told[channel.id]} ${channel.told}`] : [])),
  };
}

const CHANNELS = { email, text } as const;

export type ChannelId = keyof typeof CHANNELS;

export const { channelOf, findChannel, channelOfAddress, toldWords } = registerChannels<ChannelId>(CHANNELS);

/** By which coaches are told: they sign in with an address of it. */
export const COACH_CHANNEL: ChannelId = 'email';

/** People by the channel that tells them; channels that tell nobody are left out. */
export type ToldBy = Readonly<Partial<Record<ChannelId, number>>>;

/** Of people, each with the channel that tells them or none, how many each tells. */
export function countTold(channels: readonly (ChannelId | undefined)[]): ToldBy {
  const told: Partial<Record<ChannelId, number>> = {};
  for (const id of channels) if (id !== undefined) told[id] = (told[id] ?? 0) + 1;
  return told;
}

export const sumTold = (told: ToldBy): number => Object.values(told).reduce((sum, people) => sum + people, 0);
