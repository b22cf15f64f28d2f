package inkel.core.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Output;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Supply;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Rail;
import inkel.core.kit.Builds;
import inkel.core.remedy.FeedFixes;
import inkel.core.wiring.WireList;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Every linear regulator on every rail of every board that suits it, with something behind it: all of it can be foretold. */
class RegulatorsSettleTest {
    private static final List<String> BEHIND =
            List.of("tag-reader-spi", "packet-radio", "soil-moisture", "light-sensor");

    @Test
    void aRegulatorBehindWhateverABoardGivesSettles() {
        List<String> unsettled = new ArrayList<>();
        int tried = 0;
        for (PartClass board : Builds.CATALOG.all()) {
            if (board.controller().isEmpty()) {
                continue;
            }
            for (Rail rail : Builds.powered(board).circuit().rails()) {
                for (PartClass regulator : Builds.CATALOG.all()) {
                    for (String load : suits(regulator, rail) ? BEHIND : List.<String>of()) {
                        tried++;
                        unsettled(board, rail, regulator, load).ifPresent(unsettled::add);
                    }
                }
            }
        }
        assertTrue(tried > 100, "only " + tried);
        assertEquals(List.of(), unsettled);
    }

    private static boolean suits(PartClass regulator, Rail rail) {
        return regulator.controller().isEmpty()
                && regulator.supplies().size() == 1
                && regulator.outputs().size() == 1
                && regulator.outputs().get(0).way() == Output.Way.LINEAR
                && rail.volts()
                        .filter(volts ->
                                FeedFixes.fits(volts, regulator.supplies().get(0)))
                        .isPresent();
    }

    private static Optional<String> unsettled(PartClass board, Rail rail, PartClass regulator, String load) {
        Supply in = regulator.supplies().get(0);
        PartClass taker = Builds.CATALOG.get(load);
        Builds table = Builds.powered(board)
                .part("reg", regulator.id(), in.pin() + "=" + rail.id())
                .part(
                        "load",
                        load,
                        taker.supplies().get(0).pin() + "=reg."
                                + regulator.outputs().get(0).pin());
        Circuit circuit = Circuit.of(table.build(), Builds.CATALOG);
        Benches benches = new Benches(circuit, WireList.of(circuit));
        return new Foretelling(benches.model(Scene.resting(benches.all())))
                .unsettled()
                .map(element -> board.id() + " " + rail.id() + " " + regulator.id() + " " + load + ": " + element);
    }
}
