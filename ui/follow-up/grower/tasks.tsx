/** @jsxImportSource preact */
import { formatCode } from '@/core/codes/plant-code';
import type { GrowerTask } from '@/core/follow-up/grower/grower-page';
import { TASK_SAID } from '@/core/follow-up/tasks/growers-tasks';
import type { Wording } from '@/core/follow-up/wording/wording';

interface TasksProps {
  token: string;
  /** Names this rendering, so that what is told has the same id when it is sent twice. */
  form: string;
  tasks: readonly GrowerTask[];
  wording: Wording;
}

/** What is to be done with the hands: three buttons each, in plain forms. */
export function Tasks({ token, form, tasks, wording }: TasksProps) {
  if (tasks.length === 0) return null;
  return (
    <section aria-labelledby="to-do">
      <h2 id="to-do">{wording.say('tasks.heading')}</h2>
      {tasks.map((task) => (
        <form method="post" action={`/r/${token}`} class={`task${task.alarm ? ' alarm' : ''}`}>
          <input type="hidden" name="form" value={form} />
          <p class="name">{task.name}</p>
          <p class="quiet">
            {task.plants
              .map(({ code, position }) => `${formatCode(code)}${position ? `, ${position}` : ''}`)
              .join('; ')}
            . {task.until} {task.missed && wording.say('plant.otherwise', { missed: task.missed })}
          </p>
          {task.said && <p role="status">{task.said}</p>}
          {task.actionId === '' ? <How task={task} wording={wording} /> : <Undo task={task} wording={wording} />}
        </form>
      ))}
    </section>
  );
}

function How({ task: { task, plants }, wording: { say } }: { task: GrowerTask; wording: Wording }) {
  return (
    <>
      <input type="hidden" name="wish" value="task" />
      <input type="hidden" name="task" value={task} />
      {plants.length === 1 ? (
        <input type="hidden" name={`plant.${plants[0]!.unionId}`} value={String(plants[0]!.occurrence)} />
      ) : (
        <details>
          <summary>{say('tasks.which')}</summary>
          {plants.map(({ unionId, code, position, occurrence }) => (
            <label class="tap wide">
              <input type="checkbox" name={`plant.${unionId}`} value={String(occurrence)} checked />
              <span>
                {formatCode(code)}
                {position && `, ${position}`}
              </span>
            </label>
          ))}
        </details>
      )}
      <div class="how">
        {TASK_SAID.map((said) => (
          <button type="submit" name="said" value={said}>
            {say(`tasks.${said}`)}
          </button>
        ))}
      </div>
    </>
  );
}

function Undo({ task: { actionId }, wording: { say } }: { task: GrowerTask; wording: Wording }) {
  return (
    <>
      <input type="hidden" name="wish" value="untask" />
      <input type="hidden" name="action" value={actionId} />
      <button type="submit">{say('tasks.undo')}</button>
    </>
  );
}
