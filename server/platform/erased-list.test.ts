import { appendFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { erasedListIn } from './erased-list';

describe('the list of the erased', () => {
  it('loses nobody to a line that a full disk has cut off', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'erased-')), 'erased.txt');
    const list = erasedListIn(file);
    const at = new Date('2027-05-01T08:00:00Z');
    await list.add({ clubId: 'club', personId: 'first', at });
    appendFileSync(file, 'club cut-o');
    await list.add({ clubId: 'club', personId: 'second', at });
    expect(await list.all()).toEqual([
      { clubId: 'club', personId: 'first', at },
      { clubId: 'club', personId: 'second', at },
    ]);
  });
});
