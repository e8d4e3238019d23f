import { describe, expect, it } from 'vitest';
import { deviceName } from './device-name';

describe('what a session is called', () => {
  it.each([
    ['Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', 'Firefox on Linux'],
    [
      'Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36 Edg/140.0.0.0',
      'Edge on Windows',
    ],
    [
      'Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36',
      'Chrome on Android',
    ],
    [
      'Mozilla/5.0 (iPhone; CPU iPhone OS 18_5 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.5 Mobile/15E148 Safari/604.1',
      'Safari on an iPhone or iPad',
    ],
    [
      'Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.5 Safari/605.1.15',
      'Safari on a Mac',
    ],
  ])('%s', (agent, name) => {
    expect(deviceName(agent)).toBe(name);
  });
  it('is plain for what says nothing of itself', () => {
    for (const agent of [null, '', 'curl/8']) expect(deviceName(agent)).toBe('A browser on a device of unknown kind');
  });
  it('never holds what the browser wrote, which anybody can make up', () => {
    expect(deviceName('<script>alert(1)</script> Firefox/1 Linux')).toBe('Firefox on Linux');
  });
});
