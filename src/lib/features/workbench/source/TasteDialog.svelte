<script lang="ts">
  import { abbreviationsOf, keepAbbreviations, STANDARD, type Abbreviation } from './abbreviations';
  import { ownWords, setOwnWords } from './speller';
  import { keepTaste, SIZES, type SpellingLanguage, type Taste } from './taste';

  let { taste, onchange }: { taste: Taste; onchange: (taste: Taste) => void } = $props();

  let dialog = $state<HTMLDialogElement>();
  const SPELLINGS: readonly (readonly [SpellingLanguage, string])[] = [
    ['british', 'British English'],
    ['american', 'American English'],
    ['none', 'not looked at'],
  ];
  let words = $state('');
  let list = $state<{ short: string; long: string }[]>([]);

  export function open() {
    list = abbreviationsOf().map((a) => ({ ...a }));
    words = ownWords().join('\n');
    dialog?.showModal();
  }
  function set(part: Partial<Taste>) {
    const next = { ...taste, ...part };
    keepTaste(next);
    onchange(next);
  }
  function keep() {
    keepAbbreviations(list.map((a): Abbreviation => ({ ...a })));
    setOwnWords(words.split(/\s+/).filter((word) => word !== ''));
    // Words that were added or taken out count at once.
    onchange({ ...taste });
  }
</script>

<dialog
  bind:this={dialog}
  class="m-auto max-h-[85dvh] w-[min(36rem,92vw)] overflow-auto rounded-(--radius-box) border border-base-300 bg-base-100 p-4 text-base-content"
  aria-labelledby="taste-title"
  onclose={keep}
>
  <div class="mb-3 flex items-center gap-3">
    <h2 id="taste-title" class="text-lg font-bold">How you write</h2>
    <button class="btn btn-sm ml-auto" onclick={() => dialog?.close()}>Done</button>
  </div>
  <div class="flex flex-wrap items-center gap-5">
    <label class="flex items-center gap-2">
      <span>Size of the source</span>
      <select
        class="select select-sm w-20"
        value={taste.size}
        onchange={(event) => set({ size: Number(event.currentTarget.value) })}
      >
        {#each SIZES as size (size)}<option value={size}>{size}</option>{/each}
      </select>
    </label>
    <label class="flex items-center gap-2">
      <input
        type="checkbox"
        class="checkbox checkbox-sm"
        checked={taste.wrap}
        onchange={(event) => set({ wrap: event.currentTarget.checked })}
      />
      <span>Wrap long lines</span>
    </label>
    <label class="flex items-center gap-2">
      <input
        type="checkbox"
        class="checkbox checkbox-sm"
        checked={taste.numbers}
        onchange={(event) => set({ numbers: event.currentTarget.checked })}
      />
      <span>Number the lines</span>
    </label>
  </div>
  <div class="mt-3 flex flex-wrap items-start gap-5">
    <label class="flex items-center gap-2">
      <span>Spelling</span>
      <select
        class="select select-sm w-44"
        value={taste.spelling}
        onchange={(event) => set({ spelling: event.currentTarget.value as SpellingLanguage })}
      >
        {#each SPELLINGS as [language, shown] (language)}<option value={language}>{shown}</option
          >{/each}
      </select>
    </label>
    <label class="flex flex-1 flex-col">
      <span>Words of your own, one on a line</span>
      <textarea class="textarea h-20 w-full" bind:value={words}></textarea>
    </label>
  </div>
  <h3 class="mt-4 mb-1 font-bold">Typed for short in formulas</h3>
  <ul class="flex flex-col gap-1">
    {#each list as one, i (i)}
      <li class="flex items-center gap-2">
        <input
          class="input input-sm w-24 font-(family-name:--font-source)"
          aria-label="Short form {i + 1}"
          bind:value={one.short}
        />
        <span aria-hidden="true">is</span>
        <input
          class="input input-sm flex-1 font-(family-name:--font-source)"
          aria-label="What is written for it {i + 1}"
          bind:value={one.long}
        />
        <button class="btn btn-xs" onclick={() => (list = list.filter((_, k) => k !== i))}
          >Take out</button
        >
      </li>
    {/each}
  </ul>
  <div class="mt-2 flex gap-2">
    <button class="btn btn-sm" onclick={() => (list = [...list, { short: '', long: '' }])}
      >Add one</button
    >
    <button class="btn btn-sm" onclick={() => (list = STANDARD.map((a) => ({ ...a })))}
      >Those it came with</button
    >
  </div>
</dialog>
