import { runCommand } from '@/cli/main'

process.exitCode = runCommand(process.argv.slice(2), { out: (line) => console.log(line), err: (line) => console.error(line) })
