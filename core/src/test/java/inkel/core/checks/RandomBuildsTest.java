package inkel.core.checks;

import static inkel.core.kit.Builds.CATALOG;
import static inkel.core.kit.Builds.NODE;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Station;
import inkel.core.document.edit.CopyNode;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.SetSetting;
import inkel.core.document.edit.Stations;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.kit.Builds;
import inkel.core.pins.Planner;
import inkel.core.remedy.AddParts;
import inkel.core.wiring.WireList;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Builds thrown together: no rule fails on them, every way out can be taken, and what comes of it is read as it was written. */
class RandomBuildsTest {
    private static final int BUILDS = Integer.getInteger("inkel.random.builds", 12);
    private static final int MOST_FIXES = 40;

    static IntStream seeds() {
        return IntStream.range(0, BUILDS);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothingFailsAndEveryWayOutCanBeTaken(int seed) throws Exception {
        Random random = new Random(seed);
        Build build = build(random);
        List<Finding> findings = judged(build);
        List<Fix> fixes = new ArrayList<>();
        findings.forEach(finding -> fixes.addAll(finding.fixes()));
        while (fixes.size() > MOST_FIXES) {
            fixes.remove(random.nextInt(fixes.size()));
        }
        for (Fix fix : fixes) {
            judged(fix.apply(build));
        }
    }

    /** What is said of a build, when no rule fails on it and it can be written and read. */
    private static List<Finding> judged(Build build) throws Exception {
        assertEquals(build, BuildReader.parse(Path.of("x"), BuildWriter.print(build), CATALOG));
        Assessment assessment = Assessment.assess(build, CATALOG);
        assertEquals(List.of(), Builds.of(assessment, "inkel.rule_failed"));
        for (WireList list : assessment.reports().wires()) {
            assertTrue(list.openCount() >= 0);
        }
        return assessment.findings();
    }

    private static Build build(Random random) throws Exception {
        List<PartClass> boards = classes(Kind.BOARD);
        List<PartClass> others =
                CATALOG.all().stream().filter(cls -> cls.kind() != Kind.BOARD).toList();
        Build build = Builds.powered(boards.get(random.nextInt(boards.size()))).build();
        int count = 2 + random.nextInt(7);
        for (int i = 0; i < count; i++) {
            NodeCircuit node = Circuit.of(build, CATALOG).nodes().get(0);
            build = Edit.applyAll(build, AddParts.of(node, others.get(random.nextInt(others.size())), 1));
        }
        for (int i = 0; i < 3; i++) {
            build = withASetting(build, random);
        }
        Optional<Edit> plan = new Planner(build, CATALOG).plan(NODE).edit();
        build = plan.isPresent() ? plan.get().apply(build) : build;
        for (int i = 0; i < 2; i++) {
            build = withASetting(build, random);
        }
        if (random.nextBoolean()) {
            build = new CopyNode(NODE, "twin", "Twin").apply(build);
        }
        return random.nextBoolean() ? withStations(build, random) : build;
    }

    private static List<PartClass> classes(Kind kind) {
        return CATALOG.all().stream().filter(cls -> cls.kind() == kind).toList();
    }

    /** Any setting that means something for a part, at the first of what would be right. */
    private static Build withASetting(Build build, Random random) throws Exception {
        Part part = any(build.nodes().get(0).parts(), random);
        PartClass cls = CATALOG.get(part.classId());
        List<Setting<?>> suiting = Settings.all().stream()
                .filter(setting -> setting.suits().test(cls))
                .toList();
        Setting<?> setting = any(suiting, random);
        String[] examples = setting.example(cls).split("(, | / )");
        String typed = examples[random.nextInt(examples.length)];
        return setting.read(cls, typed).isPresent()
                ? new SetSetting(NODE, part.id(), setting, typed).apply(build)
                : build;
    }

    private static Build withStations(Build build, Random random) throws Exception {
        Build with = build;
        for (int i = 0; i < 3; i++) {
            Place one = radio(with, random);
            Place other = radio(with, random);
            if (!one.equals(other)) {
                with = new Stations.Join(one, other, "Air").apply(with);
                if (random.nextBoolean()) {
                    with = new Stations.SetRole(one, any(List.of(Station.Role.values()), random)).apply(with);
                }
            }
        }
        return with;
    }

    private static Place radio(Build build, Random random) {
        Node node = any(build.nodes(), random);
        return Place.ofPart(node.id(), any(node.parts(), random).id());
    }

    private static <T> T any(List<T> all, Random random) {
        return all.get(random.nextInt(all.size()));
    }
}
