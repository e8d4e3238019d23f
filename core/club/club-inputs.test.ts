import { describe, expect, it } from 'vitest';
import { refusals, taken } from '@/core/testing/refusals';
import { firstLead, newMember, preferences } from './member-input';
import { SHORTEST_PASSWORD } from './new-password';
import { changeInput, forgottenInput, setInput } from './password-input';
import { credentials } from './sign-in-input';
import { siteInput } from './site-input';

const LONG_ENOUGH = 'q'.repeat(SHORTEST_PASSWORD);
const TOO_SHORT = `Use ${SHORTEST_PASSWORD} characters or more for the password. Four words that do not belong together are good.`;

describe('the first lead of a club', () => {
  it('names the club, and is let in by the address in small letters', () => {
    expect(
      taken(firstLead, { club: 'Isle Guild', name: 'Oda Quill', email: ' Oda@Isle.example', password: LONG_ENOUGH }),
    ).toEqual({ club: 'Isle Guild', name: 'Oda Quill', email: 'oda@isle.example', password: LONG_ENOUGH });
  });
  it('hears of everything that is missing, first that it is missing', () => {
    expect(refusals(firstLead, { email: '', password: '' })).toEqual({
      club: "Enter the club's name.",
      name: 'Enter your name.',
      email: 'Enter your e-mail address.',
      password: 'Enter a password.',
    });
  });
});

describe('a member', () => {
  it('has a role there is', () => {
    const member = { name: 'Wim Reed', email: 'wim@isle.example' };
    for (const role of ['lead', 'assistant', 'viewer']) expect(refusals(newMember, { ...member, role })).toEqual({});
    expect(refusals(newMember, { ...member, role: 'owner' })).toEqual({ role: 'Choose lead, assistant or viewer.' });
    expect(refusals(newMember, { ...member })).toEqual({ role: 'Choose a role.' });
  });
  it('reads in their own units', () => {
    expect(refusals(preferences, { lengthUnit: 'in', temperatureUnit: 'F' })).toEqual({});
    expect(refusals(preferences, { lengthUnit: 'cm', temperatureUnit: 'K' })).toEqual({
      lengthUnit: 'Choose millimetres or inches.',
      temperatureUnit: 'Choose °C or °F.',
    });
  });
});

describe('a password', () => {
  it('is kept with the space around it: it is what was typed', () => {
    const typed = `  ${LONG_ENOUGH}  `;
    expect(taken(setInput, { token: 'from the link', password: typed })).toMatchObject({ password: typed });
    expect(taken(credentials, { email: 'oda@isle.example', password: ` ${typed}` })).toMatchObject({
      password: ` ${typed}`,
    });
  });
  it('is long enough, and no longer than is worth working on', () => {
    expect(refusals(changeInput, { old: 'what it was', password: LONG_ENOUGH.slice(1) })).toEqual({
      password: TOO_SHORT,
    });
    expect(refusals(changeInput, { old: 'q'.repeat(201), password: 'q'.repeat(201) })).toEqual({
      old: 'A password has 200 characters at most.',
      password: 'A password has 200 characters at most.',
    });
    expect(refusals(changeInput, { old: 'q'.repeat(200), password: 'q'.repeat(200) })).toEqual({});
  });
  it.each([[{ $gt: '' }], [['a', 'b']], [123_456_789_012]])('is never %j', (typed) => {
    expect(refusals(credentials, { email: 'oda@isle.example', password: typed })).toEqual({
      password: 'Enter your password.',
    });
    expect(refusals(setInput, { token: typed, password: typed })).toEqual({
      token: 'Open the link again.',
      password: 'Enter a password.',
    });
  });
  it('that is forgotten is asked for by an address', () => {
    expect(refusals(forgottenInput, { email: '' })).toEqual({ email: 'Enter your e-mail address.' });
    expect(refusals(forgottenInput, { email: 'oda' })).toEqual({
      email: 'Enter an e-mail address of the form name@place.example.',
    });
  });
});

describe('a site', () => {
  const site = { name: 'South shore', hemisphere: 'south', timeZone: 'Pacific/Auckland' };
  it('lies in a time zone there is, on one half of the earth', () => {
    expect(taken(siteInput, site)).toEqual({
      ...site,
      region: '',
      lastFrost: null,
      firstFrost: null,
      appleBloom: null,
    });
    expect(refusals(siteInput, { ...site, timeZone: 'Europe/Isle' })).toEqual({
      timeZone: 'Enter a time zone such as Europe/Vienna.',
    });
    expect(refusals(siteInput, { ...site, hemisphere: 'west', timeZone: '' })).toEqual({
      hemisphere: 'Choose north or south.',
      timeZone: 'Enter the time zone.',
    });
  });
});
