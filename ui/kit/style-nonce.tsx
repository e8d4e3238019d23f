'use client';

import { setNonce } from 'get-nonce';

let handed = false;

/**
 * Hands the page's nonce to the dialogs' scroll lock, which writes a style element of its own; the
 * Content-Security-Policy lets none in without it.
 */

export function StyleNonce({ nonce }: { nonce: string }) {
  // Once: a refresh brings the nonce of its own request, but the document keeps its first policy.
  if (typeof window !== 'undefined' && !handed) {
    handed = true;
    setNonce(nonce);
  }
  return null;
}
