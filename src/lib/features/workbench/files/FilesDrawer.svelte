<script lang="ts">
  import type { FileInfo } from '$lib/domain/assignment';
  import { ask, tell, type Said } from '$lib/ui/ask';
  import Panel from '$lib/ui/Panel.svelte';
  import { sizeWords } from '$lib/ui/sizeWords';
  import { addFile, fileAddress } from '../assignmentFiles';

  /** A file with the texts that mention it. */
  type ListedFile = FileInfo & {
    readonly usedIn: readonly { readonly path: string; readonly times: number }[];
  };

  interface Props {
    id: string;
    /** The path of the sheet itself, and of the text that is written in. */
    main: string;
    open: string;
    onfiles: (files: readonly FileInfo[]) => void;
    /** Saves what was typed: what is renamed follows in it. */
    flush: () => Promise<boolean>;
  }
  let { id, main, open: opened, onfiles, flush }: Props = $props();

  let drawer = $state<ReturnType<typeof Panel>>();
  let files = $state.raw<readonly ListedFile[]>([]);
  let problem = $state<string | null>(null);
  let renaming = $state<string | null>(null);
  let leaving = $state<string | null>(null);
  let name = $state('');
  let fresh = $state('');

  export function open() {
    problem = renaming = leaving = null;
    drawer?.open();
    void flush().then(look);
  }

  async function look() {
    const said = await ask<ListedFile[]>(`/a/${id}/files`);
    if (!said.ok) return void (problem = said.problem);
    files = said.value;
    onfiles(files);
  }

  async function after(said: Said<unknown>) {
    problem = said.ok ? null : said.problem;
    renaming = leaving = null;
    await look();
  }

  const placeOf = (path: string): string =>
    `/a/${id}/files/${path.split('/').map(encodeURIComponent).join('/')}`;

  async function add(event: Event & { currentTarget: HTMLInputElement }) {
    problem = null;
    const input = event.currentTarget;
    for (const file of input.files ?? []) {
      const outcome = await addFile(id, file);
      if (typeof outcome === 'string') problem = `${file.name}: ${outcome}`;
    }
    input.value = '';
    await look();
  }
  async function replace(path: string, event: Event & { currentTarget: HTMLInputElement }) {
    const [file] = event.currentTarget.files ?? [];
    if (!file) return;
    await after(await ask(placeOf(path), { method: 'PUT', body: file }));
    if (path === opened) location.reload();
  }
  async function rename(event: SubmitEvent, path: string) {
    event.preventDefault();
    await flush();
    const said = await tell('PATCH', placeOf(path), { to: name });
    await after(said);
    // The text that is written in may have mentioned it, or be it.
    if (!said.ok) return;
    const stays = path === opened ? name : opened;
    location.assign(`/a/${id}${opened === main ? '' : `?file=${encodeURIComponent(stays)}`}`);
  }
  async function create(event: SubmitEvent) {
    event.preventDefault();
    const said = await tell('POST', placeOf(/\.[a-z]+$/i.test(fresh) ? fresh : `${fresh}.tex`));
    if (said.ok) fresh = '';
    await after(said);
  }
  const remove = async (path: string) => after(await tell('DELETE', placeOf(path)));

  const usedWords = ({ usedIn }: ListedFile): string =>
    usedIn.length === 0
      ? 'not used'
      : `used in ${usedIn.map((use) => (use.times > 1 ? `${use.path} (${use.times} times)` : use.path)).join(', ')}`;
</script>

<Panel place="side" bind:this={drawer} title="Files of this sheet">
  {#if problem}
    <p role="alert" class="mb-3 border-l-3 border-error bg-base-200 px-3 py-2">{problem}</p>
  {/if}
  <ul class="divide-y divide-base-300">
    {#each files as file (file.path)}
      <li class="py-2">
        <div class="flex items-center gap-3">
          {#if file.kind === 'picture' && !file.path.endsWith('.pdf')}
            <img
              src={fileAddress(id, file)}
              alt=""
              class="h-10 w-12 border border-base-300 bg-(--paper) object-contain"
            />
          {/if}
          <div class="min-w-0 flex-1">
            {#if file.kind === 'text' && file.path !== opened}
              <a
                class="link font-bold break-all"
                href="/a/{id}{file.path === main ? '' : `?file=${encodeURIComponent(file.path)}`}"
                >{file.path}</a
              >
            {:else}
              <span class="font-bold break-all">{file.path}</span>
            {/if}
            <p class="text-sm text-secondary">
              {file.path === main ? 'the sheet' : usedWords(file)} · {sizeWords(file.size)}
              {file.path === opened ? '· open now' : ''}
            </p>
          </div>
        </div>
        {#if renaming === file.path}
          <form class="mt-2 flex gap-2" onsubmit={(event) => rename(event, file.path)}>
            <input
              class="input input-sm flex-1"
              aria-label="New name of {file.path}"
              bind:value={name}
            />
            <button class="btn btn-primary btn-sm">Rename</button>
            <button type="button" class="btn btn-sm" onclick={() => (renaming = null)}
              >Leave it</button
            >
          </form>
        {:else if leaving === file.path}
          <div class="mt-2 border-l-3 border-error bg-base-200 px-3 py-2" role="alert">
            <p class="mb-2">
              {file.usedIn.length > 0
                ? `${file.path} is ${usedWords(file)}: it will be missing there.`
                : `${file.path} is used nowhere.`}
              An earlier version keeps it.
            </p>
            <button class="btn btn-error btn-sm" onclick={() => remove(file.path)}>Delete it</button
            >
            <button class="btn btn-sm" onclick={() => (leaving = null)}>Leave it</button>
          </div>
        {:else}
          <div class="mt-1 flex gap-2">
            <button
              class="btn btn-ghost btn-xs"
              onclick={() => {
                renaming = file.path;
                name = file.path;
              }}>Rename<span class="sr-only">{file.path}</span></button
            >
            <label class="btn btn-ghost btn-xs">
              Replace
              <input
                type="file"
                class="sr-only"
                aria-label="Replace {file.path}"
                onchange={(event) => replace(file.path, event)}
              />
            </label>
            {#if file.path !== main && file.path !== opened}
              <button class="btn btn-ghost btn-xs" onclick={() => (leaving = file.path)}
                >Delete<span class="sr-only">{file.path}</span></button
              >
            {/if}
          </div>
        {/if}
      </li>
    {/each}
  </ul>
  <div class="mt-4 flex flex-wrap items-end gap-3 border-t border-base-300 pt-3">
    <label class="btn btn-sm">
      Bring files in
      <input type="file" class="sr-only" multiple onchange={add} />
    </label>
    <form class="flex items-end gap-2" onsubmit={create}>
      <label class="text-sm">
        A new part
        <input
          class="input input-sm mt-1 block w-44"
          placeholder="parts/second.tex"
          bind:value={fresh}
        />
      </label>
      <button class="btn btn-sm" disabled={fresh.trim() === ''}>Begin it</button>
    </form>
  </div>
</Panel>
