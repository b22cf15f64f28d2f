package inkel.stress.cases;

import inkel.app.export.Exports;
import inkel.app.words.CheckWords;
import inkel.app.words.PlanWords;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.checks.AsOneGoes;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Meter;
import inkel.core.document.edit.Edit;
import inkel.core.drawer.Drawer;
import inkel.core.drawer.Wants;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.log.Entry;
import inkel.core.log.Proof;
import inkel.core.log.Register;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.core.power.Stagger;
import inkel.core.seats.SeatPlanner;
import inkel.core.terms.Term;
import inkel.core.tune.stand.TuneReport;
import inkel.core.wake.Check;
import inkel.core.wake.Group;
import inkel.core.wake.NodeWake;
import inkel.core.wake.WakePlan;
import inkel.core.wake.WakeState;
import inkel.core.wiring.WireList;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Tally;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;

/** Everything that is done with a build once its file was taken. */
final class Use {
    private static final int SELDOM = 12;
    private static final long PATIENCE = 2_000_000_000L;

    private final Build build;
    private final Catalog catalog;
    private final Random random;
    private final Tally tally;
    private final String sample;

    /** A step that must not crash, whatever the build says. */
    private interface Step {
        void run() throws Exception;
    }

    Use(Build build, Catalog catalog, Random random, Tally tally, String sample) {
        this.build = build;
        this.catalog = build.classesIn(catalog);
        this.random = random;
        this.tally = tally;
        this.sample = sample;
    }

    /** What every build goes through; some of the rest once in a while, since it takes long. */
    void all() {
        saved("saved", build);
        judged().ifPresent(assessment -> {
            step("words", () -> words(assessment));
            step("fix", () -> fix(assessment));
            step("record", this::record);
            if (Chance.oneIn(random, SELDOM)) {
                seldom(assessment);
            }
        });
    }

    private void step(String doing, Step step) {
        try {
            step.run();
        } catch (EditRefused refused) {
            tally.count(doing + " refused");
            step("say why", () -> said(Words.say(refused.reason())));
        } catch (CancellationException stopped) {
            tally.count(doing + " stopped");
        } catch (Exception | StackOverflowError crash) {
            tally.crashed(doing, crash, sample);
        }
    }

    /** What is written must be read as the same build. */
    private void saved(String how, Build of) {
        step(how, () -> {
            Build whole = of.carrying(catalog);
            String written = BuildWriter.print(whole);
            try {
                Build back = BuildReader.parse(Seeds.FILE, written, catalog);
                if (!back.equals(whole)) {
                    tally.broke(how + ": reads back as another build", "", sample);
                }
            } catch (UnreadableFile unreadable) {
                tally.broke(
                        how + ": cannot be read again: "
                                + unreadable.problems().get(0).reason().key(),
                        Words.say(unreadable),
                        sample);
            }
        });
    }

    private Optional<Assessment> judged() {
        try {
            Assessment assessment = Assessment.assess(build, catalog);
            assessment
                    .reports()
                    .failed()
                    .forEach(failed -> tally.broke("a report failed: " + cut(failed), failed, sample));
            assessment.findings().stream()
                    .filter(finding -> finding.code().equals("inkel.rule_failed"))
                    .forEach(finding -> tally.broke(
                            "a rule failed: " + finding.sentence().values().get("rule"),
                            finding.sentence().toString(),
                            sample));
            tally.count("judged");
            return Optional.of(assessment);
        } catch (RuntimeException | StackOverflowError crash) {
            tally.crashed("judge", crash, sample);
            return Optional.empty();
        }
    }

    private static String cut(String text) {
        return text.length() > 80 ? text.substring(0, 80) : text;
    }

    private void words(Assessment assessment) {
        for (Finding finding : assessment.findings()) {
            said(Words.say(finding.sentence()));
            finding.evidence().forEach(evidence -> Words.show(evidence.value()));
        }
    }

    /** A sentence for people has no slot that nobody filled. */
    private void said(String sentence) {
        if (sentence.isBlank()) {
            tally.broke("an empty sentence", sentence, sample);
        }
    }

    private void fix(Assessment assessment) throws EditRefused {
        if (assessment.findings().isEmpty()) {
            return;
        }
        List<Fix> fixes = Chance.of(random, assessment.findings()).fixes();
        if (fixes.isEmpty()) {
            return;
        }
        Fix fix = Chance.of(random, fixes);
        said(Words.say(fix.title()));
        Words.say(fix.cost());
        Build after = fix.apply(build);
        tally.count("ways out taken");
        saved("saved after " + fix.id(), after);
    }

    private void record() {
        Register register = Register.of(build);
        for (Entry entry : register.entries()) {
            RecordWords.what(entry);
            RecordWords.value(entry);
            RecordWords.place(build, entry.line().place());
            RecordWords.when(entry.line(), ZoneOffset.UTC);
        }
        Proof.of(build);
    }

    private void seldom(Assessment assessment) {
        Circuit circuit = assessment.reports().circuit();
        switch (random.nextInt(6)) {
            case 0 -> step("plan", () -> plan(circuit));
            case 1 ->
                step("stagger", () -> {
                    for (NodeCircuit node : circuit.nodes()) {
                        Optional<List<Edit>> edits = Stagger.of(node, patience());
                        if (edits.isPresent()) {
                            saved("saved after stagger", Edit.applyAll(build, edits.get()));
                        }
                    }
                });
            case 2 -> step("wake", () -> wake(circuit));
            case 3 -> step("seats", () -> Wants.of(SeatPlanner.of(circuit, WireList.of(circuit))));
            case 4 ->
                step("terms", () -> {
                    TuneReport.of(circuit);
                    for (NodeCircuit node : circuit.nodes()) {
                        for (Term term : Term.values()) {
                            inkel.app.words.GlossaryWords.here(
                                    assessment, node.node().id(), term);
                        }
                    }
                });
            default -> exports(assessment);
        }
    }

    private void plan(Circuit circuit) throws EditRefused {
        for (NodeCircuit node : circuit.nodes()) {
            BooleanSupplier patience = patience();
            Plan plan = new Planner(build, catalog, patience).plan(node.node().id());
            plan.shortage().map(PlanWords::shortage);
            for (Fix fix : plan.waysOut()) {
                said(Words.say(fix.title()));
                saved("saved after " + fix.id(), fix.apply(build));
            }
            if (plan.edit().isPresent()) {
                Build planned = plan.edit().get().apply(build);
                tally.count("planned");
                saved("saved after planning", planned);
                Assessment.assess(planned, catalog);
                AsOneGoes.due(build, planned, catalog);
            }
        }
    }

    private static BooleanSupplier patience() {
        long start = System.nanoTime();
        return () -> System.nanoTime() - start > PATIENCE;
    }

    private void wake(Circuit circuit) {
        for (NodeWake wake : WakePlan.of(circuit, Meter.USUAL).nodes()) {
            WakeState state = WakeState.of(build, wake);
            CheckWords words = new CheckWords(wake.node());
            for (Group group : wake.groups()) {
                words.group(group);
            }
            for (Check check : wake.checks()) {
                words.line(check);
                words.expected(check.expected());
                CheckWords.read(state.result(check));
            }
        }
    }

    private void exports(Assessment assessment) {
        Exports.files("tried", Drawer.EMPTY, assessment)
                .forEach((name, make) -> step("export " + name.substring(name.lastIndexOf('-') + 1), () -> {
                    byte[] bytes = make.apply(assessment);
                    if (bytes.length == 0) {
                        tally.broke("empty export " + name, "", sample);
                    }
                    tally.count("exports");
                }));
    }
}
