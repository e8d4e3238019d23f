import { existsSync } from 'node:fs';

/** Chromium without a window at all: what tests need of it, in two thirds of the time the whole browser takes. */
const SHELL = '/usr/bin/chromium-headless-shell';

/** Debian's Chromium for tests and pictures, run as root in a sandbox of the machine's own, and quiet on the network. */
export const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? (existsSync(SHELL) ? SHELL : '/usr/bin/chromium'),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
