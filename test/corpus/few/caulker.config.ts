export default { defines: ['define.ts'] }
