// The usual list on screen, and the counts in a file for the line at the end.
const { writeFileSync } = require('node:fs');
const { reporters, Runner } = require('mocha');

module.exports = class extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once(Runner.constants.EVENT_RUN_END, () => {
      const { passes, failures } = this.stats;
      writeFileSync(`test-results/${process.env.TEST_PART}.json`, JSON.stringify({ passes, failures }));
    });
  }
};
