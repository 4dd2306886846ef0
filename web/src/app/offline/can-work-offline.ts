import { isDevMode } from '@angular/core';

/**
 * Whether the page can be opened again without the server, and installed: browsers allow that on this machine and over
 * trusted HTTPS, not over plain http.
 */
export const canWorkOffline = (): boolean => !isDevMode() && isSecureContext && 'serviceWorker' in navigator;
