/*
 * What a grower's page does more with script: each answer goes out as it is tapped, is kept on the phone until it has
 * arrived, and is said back to at once. Without it the page is a plain form.
 *
 * An answer waits under an id of its own, so that sent again it is the same answer; another content is another id.
 */
(() => {
  const form = document.getElementById('answers');
  const token = document.currentScript.dataset.token;
  if (!form || !window.localStorage) return;
  const words = JSON.parse(document.getElementById('words').textContent);
  const STORE = `pear-bench-answers-${token}`;
  /** Pause after a tap that may not be the last one; after the last one it goes out at once. */
  const PAUSE = 3500;
  const AT_ONCE = 350;
  /** Pauses between tries while something waits: longer each time, up to half a minute. */
  const FIRST_AGAIN = 2000;
  const LAST_AGAIN = 30000;

  const waiting = () => JSON.parse(localStorage.getItem(STORE) ?? '{}');
  const keep = (all) => localStorage.setItem(STORE, JSON.stringify(all));
  const grafts = [...form.querySelectorAll('.graft')];
  const timers = new Map();
  form.querySelector('button.main').hidden = true;

  const field = (graft, name) => form.elements.namedItem(`${graft.dataset.union}.${name}`);
  const valueOf = (graft, name) => field(graft, name)?.value ?? '';

  /** What stands in the fields of a graft, as the server takes it. */
  function answerOf(graft) {
    const signs = {};
    for (const group of graft.querySelectorAll('[data-group]')) {
      if (group.hidden || group.dataset.group === 'said') continue;
      const chosen = group.querySelector('input:checked');
      if (chosen) signs[group.dataset.group] = chosen.value;
    }
    return {
      unionId: graft.dataset.union,
      signs,
      said: valueOf(graft, 'said'),
      snapped: field(graft, 'snapped')?.checked ?? false,
      growth: valueOf(graft, 'growth'),
      growthUnit: valueOf(graft, 'unit') || 'mm',
      seenOn: valueOf(graft, 'seenOn'),
      note: valueOf(graft, 'note'),
    };
  }

  const isSaid = ({ signs, said, snapped, growth }) =>
    Object.keys(signs).length > 0 || said !== '' || snapped || growth !== '';

  /** Groups that hang on what was tapped before are shown when they matter. */
  function showWhatMatters(graft) {
    for (const group of graft.querySelectorAll('[data-after]')) {
      const [before, options] = group.dataset.after.split(':');
      const chosen = graft.querySelector(`[data-group="${before}"] input:checked`)?.value;
      group.hidden = !options.split(',').includes(chosen);
      if (group.hidden) for (const input of group.querySelectorAll('input')) input.checked = false;
    }
  }

  /** Whether everything that is asked of a graft is answered. */
  function isWhole(graft) {
    if (valueOf(graft, 'said') !== '') return true;
    return [...graft.querySelectorAll('[data-group]')]
      .filter((group) => !group.hidden && group.dataset.group !== 'said')
      .every((group) => group.querySelector('input:checked'));
  }

  function tell(graft, text) {
    graft.querySelector('.state').textContent = text;
  }

  /** The last tap counts: a plain word takes off the signs it cannot go with, and a sign the word. */
  function clearOther(graft, target) {
    if (target?.type !== 'radio' || !target.checked) return;
    const isWord = target.name.endsWith('.said');
    const against = (sign, word) => (sign.dataset.against ?? '').split(' ').includes(word.value);
    const selector = isWord
      ? '[data-group]:not([data-group="said"]) input:checked'
      : '[data-group="said"] input:checked';
    for (const other of graft.querySelectorAll(selector)) {
      if (!(isWord ? against(other, target) : against(target, other))) continue;
      other.checked = false;
      graft.dataset.cleared = 'yes';
    }
    const growth = field(graft, 'growth');
    if (isWord && growth && growth.value !== '' && ['dead', 'not-found'].includes(target.value)) {
      growth.value = '';
      graft.dataset.cleared = 'yes';
    }
  }

  function changed(graft, target) {
    clearOther(graft, target);
    showWhatMatters(graft);
    // Who says that it lives is asked next by what that shows.
    const see = graft.querySelector('.see');
    if (see && target?.name?.endsWith('.said') && target.value === 'alive' && document.activeElement === target)
      see.open = true;
    const answer = answerOf(graft);
    if (!isSaid(answer)) return;
    const all = waiting();
    const before = all[answer.unionId];
    const same = before && JSON.stringify(before.answer) === JSON.stringify(answer);
    if (!same) all[answer.unionId] = { id: crypto.randomUUID(), answer };
    // On the phone before anything else: what comes next may be the end of the page.
    keep(all);
    tell(graft, words.saving);
    clearTimeout(timers.get(graft));
    timers.set(
      graft,
      setTimeout(() => void sendNow(), isWhole(graft) ? AT_ONCE : PAUSE),
    );
  }

  let sending = Promise.resolve();
  let again = FIRST_AGAIN;
  let next = 0;
  /** Sends what waits, one after the other and by one window at a time, and again until all has arrived. */
  function sendAll() {
    const run = () => sendWaiting();
    sending = sending
      .then(() => (navigator.locks ? navigator.locks.request(STORE, run) : run()))
      .catch(() => {})
      .then(() => {
        clearTimeout(next);
        if (Object.keys(waiting()).length === 0) return;
        next = setTimeout(() => void sendAll(), again);
        again = Math.min(LAST_AGAIN, again * 2);
      });
    return sending;
  }
  function sendNow() {
    again = FIRST_AGAIN;
    return sendAll();
  }

  async function sendWaiting() {
    for (const [unionId, { id, answer }] of Object.entries(waiting())) {
      const graft = grafts.find((each) => each.dataset.union === unionId);
      let response;
      try {
        response = await fetch(`/api/r/${token}/answers/${id}`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(answer),
          keepalive: true,
          signal: AbortSignal.timeout(20000),
        });
      } catch {
        if (graft) tell(graft, words.waiting);
        return;
      }
      if (response.status >= 500) {
        if (graft) tell(graft, words.waiting);
        return;
      }
      const said = await response.json().catch(() => ({}));
      const now = waiting();
      // Tapped on meanwhile: that answer goes out by itself.
      if (now[unionId]?.id === id) {
        delete now[unionId];
        keep(now);
      }
      if (!graft) continue;
      if (response.ok) {
        tell(graft, graft.dataset.cleared ? `${words.cleared} ${words.saved}` : words.saved);
        delete graft.dataset.cleared;
        sayBack(graft, said);
      } else tell(graft, words.refused.replace('{reason}', said.message ?? words.unknown));
    }
    count();
  }

  /** What the server said back, in its place. */
  function sayBack(graft, { reading, why, next, week = [], second = [] }) {
    const back = graft.querySelector('.back');
    back.hidden = false;
    back.querySelector('.reading').textContent = reading;
    back.querySelector('.why').textContent = why;
    back.querySelector('.next').textContent = next;
    for (const [name, list] of [
      ['week', week],
      ['second', second],
    ]) {
      back.querySelector(`.${name}-head`).hidden = list.length === 0;
      back.querySelector(`.${name}`).replaceChildren(
        ...list.map((text) => {
          const item = document.createElement('li');
          item.textContent = text;
          return item;
        }),
      );
    }
    graft.dataset.told = 'yes';
  }

  /** Grafts that were told of are counted off. */
  function count() {
    const line = document.querySelector('.left');
    const left = grafts.filter((graft) => graft.querySelector('.back').hidden).length;
    if (line) line.textContent = words.left[left];
    const all = form.querySelector('.all');
    if (!all) return;
    all.hidden = left < 2;
    all.textContent = words.all[left];
  }

  async function sendPhoto(graft, input) {
    const [photo] = input.files;
    if (!photo) return;
    tell(graft, words.saving);
    const at = `/api/r/${token}/photos/${crypto.randomUUID()}?union=${graft.dataset.union}`;
    try {
      const response = await fetch(at, { method: 'PUT', body: photo });
      const said = response.ok ? {} : await response.json().catch(() => ({}));
      tell(graft, response.ok ? words.saved : words.refused.replace('{reason}', said.message ?? words.unknown));
      if (response.ok) input.value = '';
    } catch {
      tell(graft, words.refused.replace('{reason}', words.unknown));
    }
  }

  for (const graft of grafts) {
    // What waited since the page was last open stands in its fields again.
    const kept = waiting()[graft.dataset.union];
    if (kept) {
      const { signs, said, growth, growthUnit, seenOn, note, snapped } = kept.answer;
      for (const [group, option] of Object.entries({ ...signs, said })) {
        const name = group === 'said' ? 'said' : `sign.${group}`;
        const input = graft.querySelector(
          `input[name="${graft.dataset.union}.${name}"][value="${CSS.escape(option)}"]`,
        );
        if (input) input.checked = true;
      }
      if (field(graft, 'growth')) field(graft, 'growth').value = growth;
      if (field(graft, 'unit')) field(graft, 'unit').value = growthUnit;
      field(graft, 'seenOn').value = seenOn;
      field(graft, 'note').value = note;
      field(graft, 'snapped').checked = snapped;
      tell(graft, words.waiting);
    }
    showWhatMatters(graft);
    graft.addEventListener('change', ({ target }) =>
      target.type === 'file' ? void sendPhoto(graft, target) : changed(graft, target),
    );
  }
  /** Says of all that nothing was told of yet that they live. */
  function allLive() {
    for (const graft of grafts) {
      if (!graft.querySelector('.back').hidden || isSaid(answerOf(graft))) continue;
      const alive = graft.querySelector('[data-group="said"] input[value="alive"]');
      if (!alive) continue;
      alive.checked = true;
      changed(graft, alive);
    }
  }

  form.addEventListener('submit', (event) => {
    event.preventDefault();
    if (event.submitter?.name === 'all') allLive();
    void sendNow();
  });
  addEventListener('online', () => void sendNow());
  addEventListener('pagehide', () => void sendNow());
  document.addEventListener('visibilitychange', () => void sendNow());
  void sendNow();
  navigator.serviceWorker?.register('/offline.js').catch(() => {});
})();
