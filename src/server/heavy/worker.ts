import { TASKS, type TaskName } from '@/server/heavy/tasks'

/** Runs one task in this thread. */
export default function run({ name, args }: { name: TaskName; args: readonly unknown[] }): unknown {
  return (TASKS[name] as unknown as (...given: readonly unknown[]) => unknown)(...args)
}
