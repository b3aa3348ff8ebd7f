<script lang="ts">
  import {
    CHOICES,
    choose,
    chosen,
    KINDS,
    MARGINS,
    marginsOf,
    NEEDS,
    readClassLine,
    setMargins,
    setSpacing,
    SPACINGS,
    spacingOf,
  } from '../workbench/text';
  import { hasAbstract, hasPackage, needPackage, withAbstract, withEdits } from './choices';

  let { text, onchange }: { text: string; onchange: (text: string) => void } = $props();

  /** What is chosen here besides the kind, of all that a class line can say. */
  const SHOWN = CHOICES.filter(({ title }) =>
    ['Size', 'Paper', 'Columns', 'Title'].includes(title),
  );
  const line = $derived(readClassLine(text));
  const margins = $derived(marginsOf(text));
  const needs = NEEDS.filter(([, name]) => name !== 'geometry');
</script>

{#if line}
  <div class="grid grid-cols-2 gap-x-3 gap-y-2">
    <label class="col-span-2">
      Kind
      <select
        class="select select-sm mt-0.5 w-full"
        value={line.name.text}
        onchange={(event) =>
          onchange(
            withEdits(text, [
              { from: line.name.from, to: line.name.to, insert: event.currentTarget.value },
            ]),
          )}
      >
        {#if !KINDS.some(([name]) => name === line.name.text)}
          <option value={line.name.text}>{line.name.text}</option>
        {/if}
        {#each KINDS as [name, words] (name)}<option value={name}>{words}</option>{/each}
      </select>
    </label>
    {#each SHOWN as choice (choice.title)}
      <label>
        {choice.title}
        <select
          class="select select-sm mt-0.5 w-full"
          value={chosen(line, choice)}
          onchange={(event) =>
            onchange(withEdits(text, [choose(line, choice, event.currentTarget.value)]))}
        >
          {#each choice.answers as [option, words] (option)}
            <option value={option}>{words}</option>
          {/each}
        </select>
      </label>
    {/each}
    <label>
      Margins
      <select
        class="select select-sm mt-0.5 w-full"
        value={margins ?? 'other'}
        onchange={(event) =>
          onchange(withEdits(text, [setMargins(text, event.currentTarget.value)]))}
      >
        {#if margins === null}<option value="other">its own</option>{/if}
        {#each MARGINS as [value, words] (value)}<option {value}>{words}</option>{/each}
      </select>
    </label>
    <label>
      Line spacing
      <select
        class="select select-sm mt-0.5 w-full"
        value={spacingOf(text)}
        onchange={(event) => onchange(withEdits(text, setSpacing(text, event.currentTarget.value)))}
      >
        {#each SPACINGS as [value, words] (value)}<option {value}>{words}</option>{/each}
      </select>
    </label>
  </div>
  <fieldset class="mt-3">
    <legend class="mb-1 font-bold">What it needs</legend>
    <div class="grid grid-cols-2 gap-x-3 gap-y-1">
      {#each needs as [words, name] (name)}
        <label class="flex items-center gap-2 leading-tight">
          <input
            type="checkbox"
            class="checkbox checkbox-sm"
            checked={hasPackage(text, name)}
            onchange={(event) => onchange(needPackage(text, name, event.currentTarget.checked))}
          />
          {words}
        </label>
      {/each}
      <label class="flex items-center gap-2 leading-tight">
        <input
          type="checkbox"
          class="checkbox checkbox-sm"
          checked={hasAbstract(text)}
          onchange={(event) => onchange(withAbstract(text, event.currentTarget.checked))}
        />
        an abstract
      </label>
    </div>
  </fieldset>
{/if}
