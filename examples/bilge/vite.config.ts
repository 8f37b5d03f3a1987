import { defineConfig } from 'vite'

// The sound yard's elements and style stand beside this folder.
export default defineConfig({ server: { host: '127.0.0.1', port: 5191, fs: { allow: ['../..'] } } })
