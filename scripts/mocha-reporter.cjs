// The usual list on screen; the counts and what failed in a file, for the lines at the end.
const { writeFileSync } = require('node:fs');
const { reporters, Runner } = require('mocha');

module.exports = class extends reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once(Runner.constants.EVENT_RUN_END, () => {
      const { passes, failures } = this.stats;
      const failed = this.failures.map((test) => `${test.fullTitle()}: ${test.err?.message ?? ''}`);
      writeFileSync(`test-results/${process.env.TEST_PART}.json`, JSON.stringify({ passes, failures, failed }));
    });
  }
};
