import { describe, expect, it } from 'vitest';
import { refuseForeignOrigin } from './own-origin';

const allowed = (publicAddress: string, headers: Record<string, string>, method = 'POST'): boolean => {
  try {
    refuseForeignOrigin(new Request('http://whatever.example/x', { method, headers }), publicAddress);
    return true;
  } catch {
    return false;
  }
};

describe('a request that changes things', () => {
  const own = 'https://bench.example:8443';
  it('comes from the public address, whatever it calls its host', () => {
    expect(allowed(own, { Origin: own })).toBe(true);
    for (const Origin of [
      'https://evil.example',
      'http://bench.example:8443',
      'https://bench.example',
      'null',
      'nonsense',
      '',
    ])
      expect(allowed(own, { Origin, Host: 'evil.example' }), Origin).toBe(false);
    expect(allowed(own, { Origin: 'https://evil.example', Host: 'evil.example' })).toBe(false);
  });
  it('without an origin is refused when the browser says that it crosses sites', () => {
    expect(allowed(own, { 'Sec-Fetch-Site': 'cross-site' })).toBe(false);
    expect(allowed(own, { 'Sec-Fetch-Site': 'same-site' })).toBe(false);
    for (const site of ['same-origin', 'none']) expect(allowed(own, { 'Sec-Fetch-Site': site })).toBe(true);
    // No browser at all.
    expect(allowed(own, {})).toBe(true);
  });
  it('may use either name of this machine on this machine', () => {
    const here = 'http://127.0.0.1:3000';
    expect(allowed(here, { Origin: 'http://localhost:3000' })).toBe(true);
    expect(allowed(here, { Origin: 'http://localhost:3001' })).toBe(false);
    // A page served another way is another page, whatever the port.
    expect(allowed(here, { Origin: 'https://localhost:3000' })).toBe(false);
    expect(allowed('https://127.0.0.1:3000', { Origin: 'http://localhost:3000' })).toBe(false);
    expect(allowed(own, { Origin: 'https://localhost:8443' })).toBe(false);
  });
  it('is any but a look', () => {
    expect(allowed(own, { Origin: 'https://evil.example' }, 'GET')).toBe(true);
    for (const method of ['PUT', 'PATCH', 'DELETE'])
      expect(allowed(own, { Origin: 'https://evil.example' }, method)).toBe(false);
  });
});
