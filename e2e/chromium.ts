/** How Chromium is started: as root in a container, and without a word to the network. */
export const chromiumLaunch = {
  executablePath: process.env.CALVET_CHROMIUM ?? '/usr/bin/chromium',
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
