import type { PlacesToOpen } from '@odd-corner/contract';
import { networkInterfaces } from 'node:os';
import { isLoopback } from '../read-options';

/** A server that listens: where, and whether what travels is encrypted. */
interface Listening {
  /** The address that it was told to listen on. */
  readonly host: string;
  readonly port: number;
  readonly encrypted: boolean;
}

const ALL = new Set(['0.0.0.0', '::', '']);

/** An address as it is typed into a browser. */
export function addressOf(host: string, { port, encrypted }: Omit<Listening, 'host'>): string {
  const name = host.includes(':') ? `[${host}]` : host;
  return `${encrypted ? 'https' : 'http'}://${name}:${port}`;
}

/** This machine's own addresses in its networks; those that only count between two neighbours are left out. */
function ownAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address)
    .filter((address) => !address.startsWith('169.254.'));
}

/** Addresses by which other devices can open the workshop; none where it listens to its own machine alone. */
export function placesToOpen(listening: Listening): PlacesToOpen {
  const { host, encrypted } = listening;
  const hosts = isLoopback(host) ? [] : ALL.has(host) ? ownAddresses() : [host];
  return { addresses: hosts.map((one) => addressOf(one, listening)), encrypted };
}
