package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.checks.Assessment;
import inkel.core.document.Meter;
import inkel.core.io.document.BuildReader;
import inkel.core.quantity.Fact;
import inkel.core.tune.sample.Ask;
import inkel.core.tune.sample.Result;
import inkel.core.tune.sample.Sample;
import inkel.core.tune.sample.SampledBench;
import inkel.core.tune.sample.SampledDraft;
import inkel.core.tune.sample.Setting;
import inkel.core.tune.stand.Benches;
import inkel.core.tune.stand.TuneReport;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whatever a bench of readings asks, finds or tells has words. */
class BenchWordsTest {
    @TempDir
    private Path folder;

    private final List<String> missing = new ArrayList<>();

    private void word(String key) {
        if (!Words.has(key)) {
            missing.add(key);
        }
    }

    @Test
    void everyBenchHasItsWords() throws Exception {
        Assessment bed =
                Assessment.assess(BuildReader.read(Given.copy(Given.BED, folder), Given.CATALOG), Given.CATALOG);
        int benches = 0;
        for (TuneReport.Stand stand : bed.reports().tunes().stands()) {
            Optional<SampledBench> bench = Benches.sampled(stand.bench());
            assertTrue(bench.isPresent(), stand.bench().text());
            SampledDraft draft = (SampledDraft)
                    Benches.draft(stand.node(), stand.part(), stand.bench(), Meter.USUAL, Optional.empty())
                            .orElseThrow(() -> new AssertionError(stand.part().id() + " is not wired for its bench"));
            check(draft);
            benches++;
        }
        assertEquals(17, benches);
        assertEquals(List.of(), missing);
    }

    private void check(SampledDraft begun) {
        String kind = begun.bench().kind().text();
        word("tune.bench." + kind);
        word("tune." + kind + ".how");
        word("tune.axis." + kind + ".x");
        word("tune.axis." + kind + ".y");
        for (Setting setting : begun.bench().settings(begun.rig())) {
            word("tune.set." + setting.key());
            if (setting.options().isEmpty()) {
                word("tune.number.set_" + setting.key());
            }
            setting.options().forEach(option -> word("tune.set." + setting.key() + "." + option));
        }
        for (long seed = 1; seed <= 20; seed++) {
            var device = begun.bench().device(begun.rig(), seed);
            SampledDraft draft = begun;
            for (Ask ask : begun.bench().asks(begun.rig())) {
                word("tune.ask." + kind + "." + ask.key());
                word("tune.asked." + kind + "." + ask.key());
                ask.known().ifPresent(known -> word("tune.known." + kind + "." + ask.key()));
                for (double known : ask.known().map(Ask.Known::practised).orElse(List.of(0.0))) {
                    draft = draft.with(new Sample(
                            ask.id(), known, device.answer(new SampledBench.Question(ask, known, ask.usual()))));
                }
            }
            draft.work().results().stream().map(Result::name).forEach(name -> word("tune.number." + name));
            for (Fact told : draft.work().told()) {
                assertFalse(Words.say(told).contains("{"), told.toString());
            }
            assertFalse(draft.constants().isEmpty(), kind);
        }
    }
}
