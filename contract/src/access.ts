import * as z from 'zod';

/** Who somebody is here: guests may look, fold and tick; the workshop's own people may do everything. */
export const ROLES = ['owner', 'guest'] as const;

/** A passphrase has as many letters at least. */
export const LEAST_PASSPHRASE = 8;

/** How the asker stands here. */
export const access = z.object({
  /** Null until a passphrase was given. */
  role: z.enum(ROLES).nullable(),
  /** Whether this workshop asks for a passphrase at all. */
  asked: z.boolean(),
});

export const signingIn = z.object({
  passphrase: z.string('Type the passphrase.').min(1, 'Type the passphrase.').max(400, 'That is too long.'),
});

/** Where else this workshop can be opened from: addresses that other devices of the network can use. */
export const placesToOpen = z.object({
  addresses: z.array(z.string()).max(50),
  /** Whether what travels is encrypted. */
  encrypted: z.boolean(),
});

export type Role = (typeof ROLES)[number];
export type Access = z.infer<typeof access>;
export type PlacesToOpen = z.infer<typeof placesToOpen>;
