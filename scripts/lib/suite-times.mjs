// A reporter for Jest: how long each suite took, the slowest first, and the sum.
export default class SuiteTimes {
  onRunComplete(_contexts, results) {
    const took = results.testResults
      .map((r) => ({ s: (r.perfStats.end - r.perfStats.start) / 1000, path: r.testFilePath, n: r.numPassingTests }))
      .sort((a, b) => b.s - a.s);
    const root = process.cwd();
    console.log('\nhow long each suite took, s:');
    for (const { s, path, n } of took)
      console.log(`${s.toFixed(1).padStart(7)}  ${path.replace(`${root}/`, '')} (${n} tests)`);
    console.log(
      `${took
        .reduce((sum, t) => sum + t.s, 0)
        .toFixed(0)
        .padStart(7)}  in all, of the workers together`,
    );
  }
}
