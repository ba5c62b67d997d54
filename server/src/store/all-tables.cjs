// What makes migrations looks for tables among what a file gives out, by name.
const { recordTables, ...others } = require('./tables');

module.exports = { ...recordTables, ...others };
