// Read before any package is installed: nothing is imported here.
export const CHROMIUM = '/usr/bin/chromium';
/** Chromium for pages alone, without a window. */
export const SHELL = '/usr/bin/chromium-headless-shell';
export const DRIVER = '/usr/bin/chromedriver';
/** What drives pages, and the Debian packages that it comes with. */
export const BROWSER_FILES = [CHROMIUM, SHELL, DRIVER];
export const BROWSER_PACKAGES = ['chromium', 'chromium-headless-shell', 'chromium-driver'];
