export default {
  defines: ['elements/*.ts'],
}
