import { expect, test, type Page } from './test';
import { unzipSync } from 'fflate';
import { accessibility } from './accessibility';
import { caretBehind, needle, sheet, source, write } from './writing';

const ZIP = 'tests/e2e/fixtures/week3.zip';
const saved = (page: Page) => expect(page.getByTestId('status')).toContainText(/^saved/);
/** What a page of the app itself says of where it is. */
const from = (baseURL = ''): { origin: string } => ({ origin: baseURL });
/** A copy of a sheet to change as one likes: others look at the sheet itself. */
const copyOf = async (page: Page, id: string, baseURL?: string): Promise<string> => {
  const headers = from(baseURL);
  const answer = await page.request.post(`/api/assignments/${id}/duplicate`, { headers });
  return ((await answer.json()) as { id: string }).id;
};
const setMood = (page: Page, site: string, mood: string) =>
  page.request.post(`${site}/mood`, { data: mood });

test('the desk: what is due, in its order; a sheet renamed, copied, deleted, each taken back', async ({
  page,
}) => {
  await page.goto('/');
  const due = page.getByRole('figure', { name: 'What is due over the coming weeks' });
  await expect(
    due.getByRole('link', { name: /^Lamp signals, week 5: due tomorrow/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'By due date' }).click();
  const titles = page.locator('main li h3');
  await expect(titles.first()).toHaveText('Three harbours');
  await expect(titles.last()).toHaveText('Tides as sums');
  expect(await accessibility(page)).toEqual([]);
  await page.getByRole('button', { name: 'By course' }).click();

  const about = page.getByRole('button', { name: 'About The tide gauge' });
  await about.click();
  const dialog = page.getByRole('dialog', { name: 'About this sheet' });
  await dialog.getByLabel('Title').fill('The gauge on the pier');
  expect(await accessibility(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.getByRole('heading', { name: 'The gauge on the pier' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'The tide gauge' })).toBeVisible();

  await about.click();
  await dialog.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('heading', { name: 'The tide gauge' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'The tide gauge' })).toBeVisible();

  await about.click();
  await dialog.getByRole('button', { name: 'Duplicate' }).click();
  await page.getByRole('button', { name: 'About The tide gauge (copy)' }).click();
  await dialog.getByRole('button', { name: 'Archive' }).click();
  await page.getByText(/^Put away/).click();
  await page.getByRole('button', { name: 'The tide gauge (copy) back to the desk' }).click();
  await expect(page.getByRole('heading', { name: 'The tide gauge (copy)' })).toBeVisible();

  await page.getByRole('button', { name: 'New course' }).click();
  await page.getByLabel('Title').fill('Knots and Ropes');
  await page.getByLabel('Code').fill('MA 301');
  await page.getByLabel('plum').check();
  await page.getByRole('button', { name: 'Make the course' }).click();
  await expect(page.getByRole('heading', { name: 'Knots and Ropes' })).toBeVisible();
});

test('search finds words in every sheet as they are typed', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('searchbox').pressSequentially('uniformly contin');
  const found = page.getByRole('region', { name: 'What was found' });
  await expect(found.getByRole('link').first()).toContainText('The tide gauge');
  await expect(found.locator('mark', { hasText: 'uniformly' }).first()).toBeVisible();
  expect(await accessibility(page)).toEqual([]);
  await found
    .getByRole('link', { name: /uniformly/ })
    .first()
    .click();
  await expect(sheet(page)).toContainText('The tide gauge');
  await expect(source(page)).toBeFocused();
  await expect(page.locator('.cm-activeLine')).toContainText('uniformly');
  await page.goBack();
  await page.getByRole('searchbox').fill('zeppelin');
  await expect(found).toContainText('Nothing here has these words.');
});

test('start: choices in plain words, preamble and first page live, then writing', async ({
  page,
}) => {
  await page.goto('/start');
  const preamble = page.getByTestId('preamble');
  const first = page.getByRole('region', { name: 'The first page' });
  await page.getByLabel('Title', { exact: true }).first().fill('Tides and proofs');
  await expect(first).toContainText('Tides and proofs');
  await expect(first).toContainText('Maren Quill');
  await page.getByLabel('pictures').check();
  await expect(preamble).toContainText('\\usepackage{graphicx}');
  await page.getByLabel('Size').selectOption('12 pt');
  await expect(preamble).toContainText('12pt');
  await page.getByLabel('an abstract').check();
  await expect(first).toContainText('Abstract');
  expect(await accessibility(page)).toEqual([]);
  await page.getByRole('radio', { name: 'a template' }).check();
  await page.getByRole('button', { name: /^Proofs/ }).click();
  await expect(first).toContainText('Tides and proofs');
  await expect(first).toContainText('The sum of two even numbers');
  await page.getByRole('radio', { name: 'an earlier sheet' }).check();
  await page
    .getByLabel('Which one')
    .selectOption({ label: 'Three harbours, Chains and Timetables' });
  await expect(first).not.toContainText('A ferry leaves');
  await page.getByLabel('keep how it is set, clear what it says').uncheck();
  await expect(first).toContainText('A ferry leaves');
  await page.getByRole('radio', { name: 'a handout' }).check();
  await page.getByRole('button', { name: /^Beacons and parity/ }).click();
  await expect(first).toContainText('parity of the number of lit beacons');
  await page.getByRole('radio', { name: 'an earlier sheet' }).check();
  await page
    .getByLabel('Which one')
    .selectOption({ label: 'Three harbours, Chains and Timetables' });
  await page.getByLabel('Title', { exact: true }).first().fill('Tides and proofs');
  await page.getByRole('button', { name: 'Start writing' }).click();
  await expect(page.getByRole('heading', { name: 'Tides and proofs' })).toBeVisible();
  await expect(sheet(page)).toContainText('A ferry leaves');
});

test('from the handout of the course site to the receipt', async ({ page, site }) => {
  await setMood(page, site, 'down');
  await page.goto('/');
  await page.getByRole('button', { name: 'Posted' }).click();
  await expect(page.getByRole('alert')).toContainText('out of order');
  await setMood(page, site, 'well');
  await page.getByRole('button', { name: 'Ask again' }).click();
  expect(await accessibility(page)).toEqual([]);
  await page.getByRole('button', { name: 'Start Walks between harbours' }).click();
  await expect(sheet(page)).toContainText('Three harbours lie on a ring');

  await page.getByRole('link', { name: 'Hand in' }).click();
  const topic = (name: string) => page.locator(`[data-topic="${name}"]`);
  await expect(topic('Problems')).toContainText('Problems 1, 2 and 3 are not answered.');
  await expect(topic('Your name')).toHaveAttribute('data-well', 'false');
  expect(await accessibility(page)).toEqual([]);
  await topic('Problems').getByRole('link', { name: 'Problem 2' }).click();
  await expect(source(page)).toBeFocused();

  for (let problem = 1; problem <= 3; problem++) {
    await source(page).focus();
    await page.keyboard.press('Control+Home');
    await page.keyboard.press('Control+f');
    await page.keyboard.type('\\begin{solution}');
    for (let i = 0; i < problem; i++) await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await write(page, `The rows of the matrix add up to one for problem ${problem}.`);
  }
  await caretBehind(page, 'Write your name here');
  for (let i = 0; i < 'Write your name here'.length; i++) await page.keyboard.press('Backspace');
  await write(page, 'Maren Quill');
  await expect(sheet(page)).toContainText('Maren Quill');
  await expect(needle(page)).toContainText('all well');
  await saved(page);

  await page.getByRole('link', { name: 'Hand in' }).click();
  await expect(page.getByText('Nothing stands in the way.')).toBeVisible();
  await expect(page.getByRole('figure', { name: 'Page 1 of the PDF' })).toBeVisible();
  await setMood(page, site, 'refusing');
  const handIn = page.getByRole('button', { name: 'Hand it in' });
  await handIn.click();
  await expect(page.getByRole('alert')).toContainText('on hold');
  await setMood(page, site, 'well');
  await handIn.click();
  const receipt = page.getByRole('article', { name: /^Receipt SP-/ });
  await expect(receipt).toContainText('Walks-between-harbours.pdf');
  await expect(receipt).toContainText('Walks-between-harbours.tex');
  expect(await accessibility(page)).toEqual([]);
  const frozen = await receipt
    .getByRole('link', { name: 'The PDF that went' })
    .getAttribute('href');
  const pdf = await page.request.get(frozen ?? '');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const siteHas = await (await page.request.get(`${site}/`)).text();
  expect(siteHas).toContain('Maren Quill');
  await page.goto('/');
  const card = page.locator('li', {
    has: page.getByRole('heading', { name: 'Walks between harbours' }),
  });
  await expect(card).toContainText('handed in');
});

test('a zip made elsewhere is dropped on the desk: its sheet, part and picture are there', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring in' }).click();
  await page.getByLabel('Choose files').setInputFiles(ZIP);
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByText('notes.docx: neither a text nor a picture')).toBeVisible();
  await page.getByRole('link', { name: 'Open it' }).click();
  await expect(page.getByRole('heading', { name: 'Sheet brought from elsewhere' })).toBeVisible();
  await expect(sheet(page)).toContainText('The opening stands in a part of its own');
  await expect(needle(page)).toContainText('all well');

  // A part is written in its place: the page follows with each key.
  await page.getByRole('button', { name: 'Files' }).click();
  const drawer = page.getByRole('dialog', { name: 'Files of this sheet' });
  await expect(drawer).toContainText('used in main.tex');
  expect(await accessibility(page)).toEqual([]);
  await drawer.getByRole('link', { name: 'parts/opening.tex' }).click();
  await expect(source(page)).toContainText('The opening stands');
  await caretBehind(page, 'of its own');
  await page.keyboard.type(' and \\texbf');
  await expect(page.getByRole('note')).toContainText('There is no command \\texbf.');
  await page.getByRole('button', { name: 'Write \\textbf' }).click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' At its end.');
  await expect(sheet(page)).toContainText('At its end.');
  await saved(page);

  // Renamed, the mention follows; deleted with a warning.
  await page.getByRole('button', { name: 'Files' }).click();
  const picture = drawer.locator('li', { hasText: 'figs/gauge.png' });
  await picture.getByRole('button', { name: 'Rename' }).click();
  await drawer.getByLabel('New name of figs/gauge.png').fill('figs/tide.png');
  await picture.getByRole('button', { name: 'Rename' }).click();
  await expect(drawer).toBeHidden();
  await expect(source(page)).toContainText('The opening stands');
  await page.getByRole('button', { name: 'Files' }).click();
  await drawer.getByRole('link', { name: 'main.tex' }).click();
  await expect(source(page)).toContainText('{figs/tide}');
  await page.getByRole('button', { name: 'Files' }).click();
  const tide = drawer.locator('li', { hasText: 'figs/tide.png' });
  await tide.getByRole('button', { name: 'Delete' }).click();
  await expect(tide.getByRole('alert')).toContainText('it will be missing there');
  await tide.getByRole('button', { name: 'Delete it' }).click();
  await expect(drawer.locator('li', { hasText: 'figs/tide.png' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(needle(page)).toContainText('to fix');
});

test('earlier versions are compared and gone back to', async ({ page, baseURL }) => {
  const id = await copyOf(page, 'three-harbours', baseURL);
  await page.goto(`/a/${id}`);
  await expect(sheet(page)).toContainText('A ferry leaves each');
  await page.getByRole('link', { name: 'Earlier' }).click();
  await expect(page.getByText('There is no earlier version yet.')).toBeVisible();
  await page.getByLabel('A name for the sheet as it is now').fill('before the storm');
  await page.getByRole('button', { name: 'Keep it as this' }).click();
  await expect(page.getByRole('status')).toContainText('the same as now');
  await page.getByLabel('A name for the sheet as it is now').fill('still calm');
  await page.getByRole('button', { name: 'Keep it as this' }).click();
  await page.goto(`/a/${id}`);
  await caretBehind(page, 'A ferry leaves each');
  await page.keyboard.type(' stormy');
  await expect(sheet(page)).toContainText('stormy');
  await saved(page);
  await page.getByRole('link', { name: 'Earlier' }).click();
  const named = page.getByRole('button', { name: /^before the storm/ });
  await named.click();
  await expect(page.getByRole('status')).toContainText('1 line of the source differs');
  await expect(page.getByTitle('not so then').first()).toBeVisible();
  await page.getByRole('button', { name: 'Source' }).click();
  await expect(page.getByRole('region', { name: 'Then and now' })).toContainText('stormy');
  expect(await accessibility(page)).toEqual([]);
  await named.focus();
  await page.keyboard.press('ArrowRight');
  await expect(named).toHaveAttribute('aria-pressed', 'false');
  await named.click();
  await page.getByRole('button', { name: 'Go back to this' }).click();
  await expect(sheet(page)).toContainText('A ferry leaves each');
  await expect(source(page)).not.toContainText('stormy');
  await page.getByRole('link', { name: 'Earlier' }).click();
  await page.getByRole('button', { name: /^before going back/ }).click();
  await page.getByRole('button', { name: 'Go back to this' }).click();
  await expect(source(page)).toContainText('stormy');
});

test('fragments are kept and come with their package lines; the handbook inserts its examples', async ({
  page,
}) => {
  await page.goto('/a/signal-induction');
  await expect(sheet(page)).toContainText('lighthouses');
  await page.getByRole('button', { name: 'Fragments' }).click();
  const drawer = page.getByRole('dialog', { name: 'Fragments' });
  await expect(drawer).toContainText('rows of a transition matrix');
  expect(await accessibility(page)).toEqual([]);
  await drawer.getByRole('searchbox').fill('lighthouse');
  await expect(drawer.getByRole('heading', { name: 'In earlier sheets' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();

  await caretBehind(page, 'two lighthouses');
  await page.keyboard.press('Shift+Home');
  await expect.poll(() => page.evaluate(() => getSelection()?.toString())).toContain('two');
  await page.getByRole('button', { name: 'Fragments' }).click();
  await drawer.getByLabel('Name of the fragment').fill('two of them');
  await drawer.getByRole('button', { name: 'Keep' }).click();
  await expect(drawer.getByRole('button', { name: 'Insert two of them' })).toBeVisible();
  await drawer.getByRole('button', { name: 'Forget two of them' }).click();
  await expect(drawer).not.toContainText('two of them');
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();

  await page.goto('/start');
  await page.getByLabel('Title', { exact: true }).first().fill('Borrowed');
  await page.getByLabel('mathematics in lines and matrices').uncheck();
  await page.getByRole('button', { name: 'Start writing' }).click();
  await expect(sheet(page)).toContainText('Borrowed');
  await caretBehind(page, '\\maketitle');
  await page.keyboard.press('Enter');
  await page.keyboard.type('$ ');
  await page.getByRole('button', { name: 'Fragments' }).click();
  await drawer.getByRole('button', { name: 'Insert rows of a transition matrix' }).click();
  await expect(source(page)).toContainText('\\usepackage{amsmath}');
  await expect(needle(page)).toContainText('all well');
  await page.keyboard.press('Control+z');
  await expect(source(page)).not.toContainText('pmatrix');
  await expect(source(page)).not.toContainText('\\usepackage{amsmath}');

  await page.keyboard.press('F1');
  const handbook = page.getByRole('dialog', { name: 'Handbook' });
  await handbook.getByRole('searchbox').fill('square root');
  await expect(handbook.getByRole('img').first()).toBeVisible();
  expect(await accessibility(page)).toEqual([]);
  await handbook.getByRole('button', { name: 'Insert sqrt' }).click();
  await expect(source(page)).toContainText('\\sqrt');
});

test('the handbook is a place of its own', async ({ page }) => {
  await page.goto('/handbook');
  await page.getByRole('searchbox').fill('subset or equal');
  await expect(page.getByText('\\subseteq', { exact: true })).toBeVisible();
  await expect(page.getByRole('img').first()).toBeVisible();
  expect(await accessibility(page)).toEqual([]);
});

test('everything goes out as one zip and comes in again to the same bytes', async ({
  page,
  baseURL,
}) => {
  await page.goto('/');
  const first = await (await page.request.get('/api/collection')).body();
  const files = unzipSync(first);
  expect(Object.keys(files)).toContain('MA-214/Lecture-notes-ferries-as-chains/sheet.tex');
  const back = await page.request.post('/api/collection', { data: first, headers: from(baseURL) });
  expect(await back.json()).toMatchObject({ kind: 'kept', taken: 0 });
  const again = await (await page.request.get('/api/collection')).body();
  expect(again.equals(first)).toBe(true);
  await page.getByRole('button', { name: 'Maren Quill' }).click();
  expect(await accessibility(page)).toEqual([]);
  await page.getByLabel('Bring it back').setInputFiles(ZIP);
  await expect(page.getByRole('alert')).toContainText('not a collection');
});

test('what should not come in is refused with a sentence and a status', async ({
  request,
  baseURL,
}) => {
  const form = {
    multipart: { file: { name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('PK') } },
  };
  const tell = async (answer: { status: () => number; text: () => Promise<string> }) =>
    `${answer.status()} ${await answer.text()}`;
  const said = [
    [
      await request.post('/api/bring-in?course=ma214', { ...form, headers: from(baseURL) }),
      /^415 .*cannot be opened/,
    ],
    [
      await request.post('/api/bring-in?course=none', { ...form, headers: from(baseURL) }),
      /^404 .*no such course/,
    ],
    [
      await request.post('/api/courses', { data: { code: '' }, headers: from(baseURL) }),
      /^400 .*Fill in the code/,
    ],
    [
      await request.patch('/api/assignments/tide-gauge', { data: {}, headers: from(baseURL) }),
      /^400 /,
    ],
    [
      await request.patch('/api/assignments/tide-gauge', {
        data: { state: 'handed-in' },
        headers: from(baseURL),
      }),
      /^400 /,
    ],
    [
      await request.patch('/api/assignments/none', {
        data: { title: 'x' },
        headers: from(baseURL),
      }),
      /^404 /,
    ],
    [await request.get(`/api/search?q=${'x'.repeat(300)}`), /^400 /],
    [await request.get('/a/tide-gauge/files/..%2F..%2Fpackage.json'), /^400 .*file name/],
    [await request.get('/a/tide-gauge/files/none.tex'), /^404 /],
    [await request.get('/a/tide-gauge/versions/first'), /^400 /],
    [await request.get('/a/tide-gauge/versions/99999'), /^404 .*no such version/],
    [
      await request.post('/api/collection', { data: 'no zip', headers: from(baseURL) }),
      /^415 .*no zip/,
    ],
    [
      await request.post('/api/courses', { data: {}, headers: { origin: 'http://evil.example' } }),
      /^403 /,
    ],
    [await request.get('/', { headers: { host: 'evil.example' } }), /^403 .*only on this machine/],
  ] as const;
  for (const [answer, expected] of said) expect(await tell(answer)).toMatch(expected);
});

test('a document from elsewhere puts no script into the page', async ({
  page,
  request,
  baseURL,
}) => {
  const id = await copyOf(page, 'tide-sums', baseURL);
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10" onload="window.hacked=1"><script>window.hacked=1</script></svg>`;
  const kept = await request.post(`/a/${id}/files?name=evil.svg`, {
    data: svg,
    headers: from(baseURL),
  });
  expect(kept.status()).toBe(201);
  const answer = await page.goto(`/a/${id}/files/evil.svg`);
  expect(answer?.headers()['content-security-policy']).toContain('sandbox');
  expect(await page.evaluate(() => 'hacked' in globalThis)).toBe(false);
  const html = `<html><script>window.hacked=1</script></html>`;
  await request.post(`/a/${id}/files?name=evil.tex`, { data: html, headers: from(baseURL) });
  const text = await page.goto(`/a/${id}/files/evil.tex`);
  expect(text?.headers()['content-type']).toContain('text/plain');
  await page.goto(`/a/${id}?file=evil.tex`);
  await expect(source(page)).toContainText('window.hacked');
  expect(await page.evaluate(() => 'hacked' in globalThis)).toBe(false);
});
