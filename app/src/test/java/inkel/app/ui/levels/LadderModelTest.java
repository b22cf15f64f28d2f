package inkel.app.ui.levels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.checks.Assessment;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.NodeWire;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.AddPart;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetWire;
import inkel.core.finding.Fix;
import inkel.core.formula.Verdict;
import inkel.core.io.catalog.CatalogReader;
import inkel.core.io.document.BuildReader;
import inkel.core.quantity.Resistance;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LadderModelTest {
    @TempDir
    private Path folder;

    private static Optional<LadderModel> of(String example, String part, String pin) {
        Assessment assessment = Given.assessment(example);
        return LadderModel.of(
                assessment,
                assessment.circuit("lower-lock").orElseThrow(),
                Place.of("lower-lock", new Endpoint(part, pin)));
    }

    @Test
    void allThatHearADriverStandBesideIt() {
        LadderModel model = of(Given.FIRST_SKETCH, "reader", "SCK").orElseThrow();
        assertEquals("Board D13", model.driver());
        assertEquals(
                List.of("Tag reader SCK", "Packet radio SCK"),
                model.listeners().stream().map(LadderModel.Listener::name).toList(),
                "the one that was asked for first");
        // A port of 4.75 to 5.25 V: at least 4.65 V, at most 5.25 V; the reader at 3.2 to 3.4 V bears 3.5 V.
        assertEquals(4.65, model.highFrom(), 1e-9);
        assertEquals(5.25, model.highTo(), 1e-9);
        assertEquals(3.5, model.listeners().get(0).limit(), 1e-9);
        assertEquals(Verdict.HARMS, model.listeners().get(0).verdict());
        assertEquals("−1.75 V", model.listeners().get(0).gap());
        assertTrue(model.topVolts() >= 5.5, "the scale holds every limit");
    }

    @Test
    void whatStandsBetweenIsNamedAndAPinThatHearsTwiceStandsOnce() {
        LadderModel model = of(Given.LOCKS, "reader", "MISO").orElseThrow();
        assertEquals(1, model.listeners().size());
        assertEquals("level converter, way 4", model.listeners().get(0).between());
        assertEquals(Verdict.FINE, model.listeners().get(0).verdict());
    }

    @Test
    void aDividerIsAStepFromWhatIsSaidToWhatArrives() throws Exception {
        Build build = Given.assessment(Given.FIRST_SKETCH).build();
        Endpoint mosi = new Endpoint("reader", "MOSI");
        Between divider = new Between.Divider(mosi, Resistance.ofOhms(1500), Resistance.ofOhms(2700), Extras.NONE);
        Assessment divided = Assessment.assess(new Insert("lower-lock", divider).apply(build), Given.CATALOG);
        LadderModel model = LadderModel.of(
                        divided, divided.circuit("lower-lock").orElseThrow(), Place.of("lower-lock", mosi))
                .orElseThrow();
        assertEquals("Board D11", model.driver());
        assertEquals(5.25, model.highTo(), 1e-9, "the driver says what it said without the divider");
        LadderModel.Step step = model.step().orElseThrow();
        assertEquals(5.25 * 2700 / 4200, step.highTo(), 1e-9);
        assertEquals(4.65 * 2700 / 4200, step.highFrom(), 1e-9);
        assertTrue(step.hears().isEmpty(), "a divider hears nothing");
    }

    /** What is said stays the driver's; behind it stand the levels of who listens, and a high becomes a low or stays one. */
    @ParameterizedTest
    @EnumSource
    void anOptocouplerTurnsAHighOverOrLeavesIt(Between.Opto.Lit lit) throws Exception {
        Build build = Given.assessment(Given.FIRST_SKETCH).build();
        Endpoint mosi = new Endpoint("reader", "MOSI");
        Between opto = new Between.Opto(mosi, lit, Resistance.ofOhms(390), Resistance.ofOhms(10_000), Extras.NONE);
        Assessment byLight = Assessment.assess(new Insert("lower-lock", opto).apply(build), Given.CATALOG);
        LadderModel model = LadderModel.of(
                        byLight, byLight.circuit("lower-lock").orElseThrow(), Place.of("lower-lock", mosi))
                .orElseThrow();
        assertEquals(5.25, model.highTo(), 1e-9);
        assertEquals(4.65, model.highFrom(), 1e-9);
        LadderModel.Step step = model.step().orElseThrow();
        assertEquals(3.2, step.highTo(), 1e-9, "the supply of the reader, where least is to spare");
        assertEquals(lit == Between.Opto.Lit.BY_HIGH ? 0.4 : 3.2, step.ofHigh(), 1e-9);
    }

    @Test
    void aShifterHearsOneSideAndSpeaksOnTheOther() {
        LadderModel model = of(Given.LOCKS, "reader", "MISO").orElseThrow();
        assertEquals("Tag reader MISO", model.driver());
        // 3.3 V regulated to 3.25 V at the least, less the reader's 0.4 V.
        assertEquals(3.15, model.highFrom(), 1e-9);
        assertEquals(Optional.of(Verdict.FINE), model.step().orElseThrow().hears());
        assertTrue(model.step().orElseThrow().highFrom() > 4, "what comes out is at the board's level");
    }

    @Test
    void aWireThatCannotBeJudgedHasNoLadders() {
        assertTrue(of(Given.LOCKS, "level", "S").isEmpty(), "an analog wire has no levels");
    }

    // Two hops: the board of 3.3 V into a buffer at 5 V, and out of it into the other board.
    @Test
    void aWireBetweenBoardsThroughABufferIsALadderOfBothHops() throws Exception {
        Build two = BuildReader.read(Given.copy(Given.TWO_BOARDS, folder), Given.CATALOG);
        Assessment bare = Assessment.assess(two, Given.CATALOG);
        NodeWire back = two.links().get(1);
        LadderModel plain = LadderModel.of(bare, back).orElseThrow();
        assertEquals("Cellar GP6", plain.driver());
        assertEquals("Porch D5", plain.listeners().get(0).name());
        assertTrue(plain.step().isEmpty());
        Fix buffer = bare.findings().stream()
                .filter(finding -> finding.place().equals(back.from()))
                .flatMap(finding -> finding.fixes().stream())
                .filter(fix -> fix.id().equals("buffer-new"))
                .findFirst()
                .orElseThrow();
        Assessment through = Assessment.assess(buffer.apply(two), Given.CATALOG);
        LadderModel model =
                LadderModel.of(through, through.build().links().get(1)).orElseThrow();
        assertEquals("Cellar GP6", model.driver());
        assertEquals(3.4, model.highTo(), 1e-9, "what the board itself says at the most");
        assertEquals(Optional.of(Verdict.FINE), model.step().orElseThrow().hears());
        assertEquals(Verdict.FINE, model.listeners().get(0).verdict());
    }

    /** A transistor that bears 20 V, driven by a pin of 5.25 V at the most: the scale ends at 1.8 times that, rounded up. */
    @Test
    void aLimitFarAboveLeavesRoomForTheLevels() throws Exception {
        Build build = new SetWire(
                        "lower-lock",
                        Wire.placed(
                                Endpoint.parse("pump.SIG").orElseThrow(),
                                Endpoint.parse("board.D2").orElseThrow()))
                .apply(new AddPart(
                                "lower-lock",
                                Part.of("pump", "switch-transistor", "Pump", "")
                                        .withFeed(
                                                "V+", Endpoint.parse("bench.+").orElseThrow()))
                        .apply(Given.build(Given.LOCKS)));
        Assessment assessment = Assessment.assess(build, CatalogReader.shipped());
        LadderModel model = LadderModel.of(
                        assessment,
                        assessment.circuit("lower-lock").orElseThrow(),
                        Place.of("lower-lock", new Endpoint("pump", "SIG")))
                .orElseThrow();
        assertEquals(20, model.listeners().get(0).limit(), 1e-9);
        assertEquals(10, model.topVolts(), 1e-9);
    }
}
