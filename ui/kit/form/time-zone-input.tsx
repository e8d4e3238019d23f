'use client';

import { type ComponentProps, useId, useState, useSyncExternalStore } from 'react';

const unchanging = (): (() => void) => () => undefined;
const ofDevice = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
const unknown = (): string => '';

/**
 * A time zone, found by typing a part of its name; the device's own stands there first. The server does
 * not know that one, and the list is long: both come with the browser.
 */
export function TimeZoneInput(props: ComponentProps<'input'>) {
  const list = useId();
  const own = useSyncExternalStore(unchanging, ofDevice, unknown);
  const [zones, setZones] = useState<string[]>([]);
  // Before the device is asked nothing is entered: a form would take the empty field for what somebody chose.
  if (own === '') return <input id={props.id} className={props.className} readOnly />;
  return (
    <>
      <input
        defaultValue={own}
        list={list}
        autoComplete="off"
        spellCheck={false}
        onFocus={(event) => {
          // What is typed takes the place of what stands there, so that the list is not narrowed to that.
          event.currentTarget.select();
          setZones(Intl.supportedValuesOf('timeZone'));
        }}
        {...props}
      />
      <datalist id={list}>
        {zones.map((zone) => (
          <option key={zone} value={zone} />
        ))}
      </datalist>
    </>
  );
}
