// What is wrong with the page as it is seen now: a target under 44 px, text under 14 px or
// cut off, words or targets that lie on one another, a next action out of sight. Returns
// lines of text, one for each fault.
(() => {
  const faults = [];
  const seen = new Set();
  const tell = (what, e, more = '') => {
    const name = (e.getAttribute?.('aria-label') || e.textContent || '').trim().replace(/\s+/g, ' ').slice(0, 40);
    const line = `${what}: ${e.tagName.toLowerCase()}.${(e.getAttribute?.('class') ?? '').split(' ').filter((c) => !c.startsWith('svelte-')).join('.')} “${name}” ${more}`;
    if (!seen.has(line)) faults.push(line);
    seen.add(line);
  };
  const open = document.querySelector('dialog[open]');
  const root = open ?? document.body;
  const W = innerWidth, H = innerHeight;
  // A page as it will be printed is a picture of paper, and is read there.
  const shown = (e) => e.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && !e.closest('.unseen, [data-under], [data-print], defs') && (!open || open.contains(e));

  // How each element is set and where it lies; nothing moves while it is looked at.
  const known = new Map();
  const of = (e) => {
    let it = known.get(e);
    if (!it) {
      const s = getComputedStyle(e);
      const o = (v) => v === 'auto' || v === 'scroll';
      it = {
        box: e.getBoundingClientRect(), x: s.overflowX, y: s.overflowY, paint: s.contain.includes('paint') || s.contain.includes('strict'), fixed: s.position === 'fixed',
        scrollsX: o(s.overflowX) && e.scrollWidth > e.clientWidth + 1, scrollsY: o(s.overflowY) && e.scrollHeight > e.clientHeight + 1,
        inline: s.display.startsWith('inline'), ellipsis: s.textOverflow === 'ellipsis' && s.overflowX === 'hidden' && e.scrollWidth > e.clientWidth + 1, font: parseFloat(s.fontSize),
      };
      known.set(e, it);
    }
    return it;
  };

  // The part of a rect that its ancestors show; what can be scrolled into sight counts as shown
  // along that axis. Says too whether an ancestor cuts some of it off for good.
  const clipped = (e, r) => {
    let [left, top, right, bottom] = [r.left, r.top, r.right, r.bottom];
    let cut = false, scrollX = false, scrollY = false;
    for (let a = e; a; a = a.parentElement) {
      if (a === document.documentElement || a === document.body) break;
      const s = of(a), box = s.box;
      if (s.scrollsX) scrollX = true;
      if (s.scrollsY) scrollY = true;
      if (s.x !== 'visible' || s.paint) {
        if (!scrollX && (left < box.left - 2.5 || right > box.right + 2.5)) cut = true;
        left = Math.max(left, box.left); right = Math.min(right, box.right);
      }
      if (s.y !== 'visible' || s.paint) {
        if (!scrollY && (top < box.top - 2.5 || bottom > box.bottom + 2.5)) cut = true;
        top = Math.max(top, box.top); bottom = Math.min(bottom, box.bottom);
      }
      if (s.fixed) break;
    }
    if (!scrollX && (r.left < -2 || r.right > W + 2)) cut = true;
    if (!scrollY && (r.top < -2 || r.bottom > H + 2)) cut = true;
    left = Math.max(left, 0); top = Math.max(top, 0); right = Math.min(right, W); bottom = Math.min(bottom, H);
    return { left, top, right, bottom, cut, empty: right - left < 2 || bottom - top < 2 };
  };

  // Words, as the lines in which they stand.
  const words = [];
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
  for (let n = walker.nextNode(); n; n = walker.nextNode()) {
    const e = n.parentElement;
    if (!n.textContent.trim() || !shown(e) || ['STYLE', 'SCRIPT', 'OPTION', 'TITLE'].includes(e.tagName)) continue;
    const range = document.createRange();
    range.selectNodeContents(n);
    const rects = [...range.getClientRects()].filter((r) => r.width > 1 && r.height > 1);
    if (!rects.length) continue;
    let size = of(e).font * (e.currentCSSZoom ?? 1);
    const svg = e.closest('svg');
    if (svg) size = of(e).font * Math.hypot(e.getScreenCTM().b, e.getScreenCTM().d);
    if (size < 13.9) tell('small text', e, `${size.toFixed(1)} px`);
    const ellipsis = (() => {
      for (let a = e; a && a !== root; a = a.parentElement) {
        if (of(a).inline) continue;
        return of(a).ellipsis;
      }
    })();
    if (ellipsis) tell('cut text', e);
    for (const r of rects) {
      const c = clipped(e, r);
      if (c.cut) tell('cut off', e, `${Math.round(r.left)},${Math.round(r.top)} to ${Math.round(r.right)},${Math.round(r.bottom)}`);
      // the box of a line is higher than its letters: these have about three quarters of their size
      const middle = (r.top + r.bottom) / 2, half = size * 0.37;
      const line = { left: c.left + 1, right: c.right - 1, top: Math.max(c.top, middle - half), bottom: Math.min(c.bottom, middle + half) };
      if (!c.empty) words.push({ e, r: line });
    }
  }
  const onTop = (w) => {
    const x = (w.r.left + w.r.right) / 2, y = (w.r.top + w.r.bottom) / 2;
    const top = document.elementFromPoint(x, y);
    return !top || top === w.e || w.e.contains(top) || top.contains(w.e) || getComputedStyle(top).pointerEvents === 'none' || !getComputedStyle(w.e).pointerEvents.includes('auto');
  };
  const meet = (a, b) => Math.min(a.right, b.right) - Math.max(a.left, b.left) > 2 && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 2;
  words.sort((a, b) => a.r.top - b.r.top);
  for (let i = 0; i < words.length; i++) {
    for (let j = i + 1; j < words.length && words[j].r.top < words[i].r.bottom; j++) {
      const [a, b] = [words[i], words[j]];
      if (a.e === b.e || !meet(a.r, b.r)) continue;
      if (a.e.closest('.cards') && b.e.closest('.cards')) continue; // cards lie on one another
      if (a.e.matches('.slant') || b.e.matches('.slant')) continue;
      if (!onTop(a) || !onTop(b)) continue; // covered by what scrolls over it
      tell('words on words', a.e, `and “${b.e.textContent.trim().slice(0, 30)}”`);
    }
  }

  // What is touched.
  const TARGET = 'button, a[href], input:not([type=hidden]), select, textarea, summary, [role=radio], [role=tab], [role=gridcell]';
  const targets = [];
  for (const e of root.querySelectorAll(TARGET)) {
    if (!shown(e) || e.matches('[tabindex="-1"][aria-hidden=true]')) continue;
    const r = (e.closest('label') ?? e).getBoundingClientRect();
    if (r.width < 1 || r.height < 1) continue;
    let wide = r.width, high = r.height;
    const after = getComputedStyle(e, '::after');
    if (after.content !== 'none' && after.position === 'absolute') {
      wide = Math.max(wide, parseFloat(after.width) || 0);
      high = Math.max(high, parseFloat(after.height) || 0);
    }
    if (wide < 43.5 || high < 43.5) tell('small target', e, `${Math.round(wide)} × ${Math.round(high)}`);
    const c = clipped(e, r);
    if (!c.empty) targets.push({ e, r: c });
  }
  targets.sort((a, b) => a.r.top - b.r.top);
  for (let i = 0; i < targets.length; i++) {
    for (let j = i + 1; j < targets.length && targets[j].r.top < targets[i].r.bottom; j++) {
      const [a, b] = [targets[i], targets[j]];
      if (a.e.contains(b.e) || b.e.contains(a.e) || !meet(a.r, b.r)) continue;
      const x = (Math.max(a.r.left, b.r.left) + Math.min(a.r.right, b.r.right)) / 2;
      const y = (Math.max(a.r.top, b.r.top) + Math.min(a.r.bottom, b.r.bottom)) / 2;
      if (a.e.matches('.slant') || b.e.matches('.slant')) continue; // their boxes meet, they do not
      const over = document.elementFromPoint(x, y)?.closest('.foot, th');
      if (over?.contains(a.e) || over?.contains(b.e)) continue; // it stays over what scrolls
      tell('targets on one another', a.e, `and “${(b.e.getAttribute('aria-label') || b.e.textContent).trim().slice(0, 30)}”`);
    }
  }

  for (const e of root.querySelectorAll('[data-next]')) {
    const r = e.getBoundingClientRect();
    if (r.top < -1 || r.left < -1 || r.bottom > H + 1 || r.right > W + 1) tell('the next action is out of sight', e, `${Math.round(r.left)},${Math.round(r.top)} to ${Math.round(r.right)},${Math.round(r.bottom)}`);
    else {
      const top = document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2);
      if (top && !e.contains(top)) tell('the next action is covered', e);
    }
  }
  if (document.documentElement.scrollWidth > W + 1) faults.push(`the page is ${document.documentElement.scrollWidth} px wide in ${W}`);
  return faults;
})()
