import { chmodSync } from 'node:fs'

// The compiler writes plain files; the command line has to be one that can be run.
chmodSync('dist/cli/main.js', 0o755)
