/** Debian's Chromium, as root, with WebGL drawn in software, and without its background requests. */
export const browser = {
  executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--ignore-gpu-blocklist',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-quic',
    '--no-first-run',
  ],
};
