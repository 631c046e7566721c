import { existsSync } from 'node:fs';
import type { Browser } from 'playwright-core';
import { chromium } from 'playwright-core';
import { CommandError } from './say.ts';

/** Debian's Chromium, headless, kept from calling anywhere. */
export async function openChromium(): Promise<Browser> {
  const executablePath = '/usr/bin/chromium';
  if (!existsSync(executablePath))
    throw new CommandError('Chromium is not installed.', 'Run: apt-get install chromium');
  return chromium.launch({
    executablePath,
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--autoplay-policy=no-user-gesture-required',
    ],
  });
}
