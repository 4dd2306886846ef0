/** Grows whenever the same make may come out otherwise than before: what was told by an older engine can be told anew. */
export const ENGINE_VERSION = 3;
