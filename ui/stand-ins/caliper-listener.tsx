'use client';

import { useEffect } from 'react';
import { CALIPER_CHANNEL, type CaliperMessage } from './caliper-channel';

/** Types what the simulated caliper sends into the field that has the focus, key by key and then Enter, as a caliper on a cable does. */
export function CaliperListener() {
  useEffect(() => {
    const channel = new BroadcastChannel(CALIPER_CHANNEL);
    channel.onmessage = ({ data }: MessageEvent<CaliperMessage>) => {
      const field = document.activeElement;
      if (!(field instanceof HTMLInputElement) || field.disabled || field.readOnly) return;
      const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
      // A caliper does not know what stood in the field: what is selected is typed over, as by hand.
      let text = field.selectionStart !== null && field.selectionEnd !== null && field.selectionEnd > field.selectionStart ? field.value.slice(0, field.selectionStart) + field.value.slice(field.selectionEnd) : field.value;
      for (const key of data.text) {
        field.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
        text += key;
        put.call(field, text);
        field.dispatchEvent(new Event('input', { bubbles: true }));
        field.dispatchEvent(new KeyboardEvent('keyup', { key, bubbles: true }));
      }
      const enter = new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true });
      // A trusted Enter would send the form; one made here has to be told to.
      if (field.dispatchEvent(enter)) field.form?.requestSubmit();
    };
    return () => channel.close();
  }, []);
  return null;
}
