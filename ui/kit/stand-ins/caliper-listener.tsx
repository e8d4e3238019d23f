'use client';

import { useEffect } from 'react';
import { CALIPER_CHANNEL, type CaliperMessage } from './caliper-channel';

/** Types what the simulated caliper sends into the field that has the focus, key by key and then Enter, as a caliper on a cable does. */
export function CaliperListener() {
  useEffect(() => {
    const channel = new BroadcastChannel(CALIPER_CHANNEL);
    channel.onmessage = ({ data }: MessageEvent<CaliperMessage>) => void typeInto(document.activeElement, data.text);
    return () => channel.close();
  }, []);
  return null;
}

/** Presses the keys of a text and then Enter, each as a keyboard would: what a page does not want of them it refuses as it would a hand's. */
async function typeInto(field: Element | null, text: string): Promise<void> {
  if (!(field instanceof HTMLInputElement) || field.disabled || field.readOnly) return;
  const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
  for (const key of text) {
    const wanted = field.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    const room =
      wanted &&
      field.dispatchEvent(
        new InputEvent('beforeinput', { data: key, inputType: 'insertText', bubbles: true, cancelable: true }),
      );
    if (room) {
      // What is selected is typed over.
      const [from, to] = [field.selectionStart ?? field.value.length, field.selectionEnd ?? field.value.length];
      put.call(field, field.value.slice(0, from) + key + field.value.slice(to));
      field.setSelectionRange(from + 1, from + 1);
      field.dispatchEvent(new InputEvent('input', { data: key, inputType: 'insertText', bubbles: true }));
    }
    field.dispatchEvent(new KeyboardEvent('keyup', { key, bubbles: true }));
    await nextTurn();
  }
  // A trusted Enter would send the form; one made here has to be told to.
  if (field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true })))
    field.form?.requestSubmit();
}

/** The browser's next turn. Not by a timer: windows that are not in front have theirs slowed down. */
function nextTurn(): Promise<void> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });
}
