<script lang="ts">
  import type { Kind } from '$lib/domain/assignment';
  import type { SitePosting } from '$lib/domain/courseSite';
  import { ask } from '$lib/ui/ask';
  import { EXAMPLES, NOTHING, TEMPLATES } from './catalog';
  import { clearedBody } from './choices';

  /** What is begun from. */
  export interface Begun {
    readonly text: string;
    readonly kind: Kind;
    /** An earlier sheet whose other files come along. */
    readonly filesFrom: string | null;
    /** The posting of the course site that it answers. */
    readonly posting: SitePosting | null;
  }
  interface Props {
    earlier: readonly { readonly id: string; readonly title: string; readonly course: string }[];
    onbegin: (begun: Begun) => void;
    onproblem: (problem: string) => void;
  }
  let { earlier, onbegin, onproblem }: Props = $props();

  const WAYS = [
    ['nothing', 'nothing'],
    ['template', 'a template'],
    ['example', 'a worked example'],
    ['earlier', 'an earlier sheet'],
    ['handout', 'a handout'],
  ] as const;
  type Way = (typeof WAYS)[number][0];
  let way = $state<Way>('nothing');
  let chosen = $state('');
  let clear = $state(true);
  let postings = $state.raw<readonly SitePosting[]>([]);

  async function choose(id: string) {
    chosen = id;
    if (way === 'earlier') return takeEarlier(id);
    if (way === 'handout') return takeHandout(id);
    const found = [...TEMPLATES, ...EXAMPLES].find((one) => one.id === id);
    if (found) onbegin({ text: found.text, kind: found.kind, filesFrom: null, posting: null });
  }
  async function takeEarlier(id: string) {
    const said = await ask<{ kind: Kind; content: string }>(`/api/assignments/${id}`);
    if (!said.ok) return onproblem(said.problem);
    const { kind, content } = said.value;
    onbegin({ text: clear ? clearedBody(content) : content, kind, filesFrom: id, posting: null });
  }
  async function askSite() {
    const said = await ask<SitePosting[]>('/api/postings');
    if (said.ok) postings = said.value;
    else onproblem(said.problem);
  }
  async function takeHandout(id: string) {
    const said = await ask<{ text: string }>(`/api/postings/${id}`);
    if (!said.ok) return onproblem(said.problem);
    const posting = postings.find((one) => one.id === id) ?? null;
    onbegin({ text: said.value.text, kind: 'problem set', filesFrom: null, posting });
  }
  function go(to: Way) {
    way = to;
    chosen = '';
    if (to === 'nothing')
      onbegin({ text: NOTHING, kind: 'problem set', filesFrom: null, posting: null });
    if (to === 'handout') void askSite();
  }
  const list = $derived(
    way === 'template'
      ? TEMPLATES
      : way === 'example'
        ? EXAMPLES
        : way === 'handout'
          ? postings.map(({ id, title, course }) => ({ id, title, shows: course }))
          : [],
  );
</script>

<fieldset>
  <legend class="mb-1 font-bold">Begin from</legend>
  <div class="flex flex-wrap gap-x-4 gap-y-1">
    {#each WAYS as [value, words] (value)}
      <label class="flex items-center gap-1.5">
        <input
          type="radio"
          name="way"
          class="radio radio-sm"
          {value}
          checked={way === value}
          onchange={() => go(value)}
        />
        {words}
      </label>
    {/each}
  </div>
  {#if list.length > 0}
    <ul class="mt-2 grid grid-cols-2 gap-1.5">
      {#each list as { id, title, shows } (id)}
        <li>
          <button
            type="button"
            class="h-full w-full rounded-(--radius-field) border px-2 py-1 text-left leading-tight hover:bg-base-200 {chosen ===
            id
              ? 'border-primary bg-base-200'
              : 'border-base-300'}"
            aria-pressed={chosen === id}
            onclick={() => choose(id)}
          >
            <span class="font-medium">{title}</span>
            <span class="block text-sm text-secondary">{shows}</span>
          </button>
        </li>
      {/each}
    </ul>
  {:else if way === 'earlier'}
    <label class="mt-2 block">
      Which one
      <select
        class="select select-sm mt-1 w-full"
        value={chosen}
        onchange={(event) => choose(event.currentTarget.value)}
      >
        <option value="" disabled>choose a sheet</option>
        {#each earlier as { id, title, course } (id)}
          <option value={id}>{title}, {course}</option>
        {/each}
      </select>
    </label>
    <label class="mt-2 flex items-center gap-2">
      <input
        type="checkbox"
        class="checkbox checkbox-sm"
        bind:checked={clear}
        onchange={() => chosen !== '' && choose(chosen)}
      />
      keep how it is set, clear what it says
    </label>
  {/if}
</fieldset>
