package inkel.app.ui.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.ui.power.RiverModel.Bar;
import inkel.app.ui.power.RiverModel.Flow;
import inkel.core.checks.Assessment;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.edit.Edit;
import inkel.core.remedy.AddParts;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RiverModelTest {
    private static NodeCircuit node(String example) {
        return Circuit.of(Given.build(example), Given.CATALOG).nodes().get(0);
    }

    private static NodeCircuit withMore(int loads) throws Exception {
        Build build = Given.build(Given.LOCKS);
        NodeCircuit node = Circuit.of(build, Given.CATALOG).nodes().get(0);
        Build more = Edit.applyAll(build, AddParts.of(node, Given.CATALOG.get("water-level"), loads));
        return Circuit.of(more, Given.CATALOG).nodes().get(0);
    }

    @ParameterizedTest(name = "{0} loads more in {1}")
    @CsvSource({"0, 400", "0, 1000", "20, 400", "20, 1200", "30, 300"})
    void labelsNeverCollide(int loads, double height) throws Exception {
        RiverModel model = RiverModel.of(withMore(loads), height);
        List<Double> middles =
                model.leaves().stream().map(RiverModel.Leaf::middle).sorted().toList();
        for (int i = 1; i < middles.size(); i++) {
            assertTrue(middles.get(i) - middles.get(i - 1) >= RiverModel.ROW - 0.01, "loads " + i);
        }
        for (int column = 0; column < model.columns(); column++) {
            int at = column;
            List<Bar> bars = model.bars().stream()
                    .filter(bar -> bar.column() == at)
                    .sorted(Comparator.comparingDouble(Bar::top))
                    .toList();
            for (int i = 1; i < bars.size(); i++) {
                assertTrue(
                        bars.get(i).top() - RiverModel.LABEL >= bars.get(i - 1).bottom() - 0.01,
                        bars.get(i).name() + " under " + bars.get(i - 1).name());
            }
        }
        for (Bar bar : model.bars()) {
            assertTrue(bar.bottom() <= model.height() + 0.01, bar.name());
        }
    }

    @Test
    void aRoomThatIsLargeEnoughIsFilledAndNotExceeded() {
        RiverModel model = RiverModel.of(node(Given.LOCKS), 1000);
        assertTrue(model.height() <= 1000.5, String.valueOf(model.height()));
        assertTrue(model.height() > 900, String.valueOf(model.height()));
    }

    @Test
    void widthsOfOneSourceHaveOneScale() {
        RiverModel model = RiverModel.of(node(Given.LOCKS), 900);
        // Display 120 mA, tag reader 100 mA: both from the port.
        double display = width(model, "display");
        double reader = width(model, "reader");
        assertEquals(120.0 / 100.0, display / reader, 1e-6);
        Bar port = model.bars().stream()
                .filter(bar -> bar.rail().part().equals("usb"))
                .findFirst()
                .orElseThrow();
        assertEquals(343.7 / 500, port.filled() / port.bank(), 1e-3, "the bank is the rating");
        assertEquals(343.7 / 120, port.filled() / display, 1e-3);
    }

    private static double width(RiverModel model, String part) {
        return model.flows().stream()
                .filter(flow -> flow.target().part().equals(part))
                .mapToDouble(Flow::toWidth)
                .max()
                .orElseThrow();
    }

    @Test
    void anOverloadStandsOutOverItsBank() {
        RiverModel model = RiverModel.of(node(Given.FIRST_SKETCH), 600);
        Bar port = model.bars().stream()
                .filter(bar -> bar.rail().part().equals("usb"))
                .findFirst()
                .orElseThrow();
        assertEquals(RiverModel.Tone.OVER, port.tone());
        assertEquals(3.2 / 0.5, port.filled() / port.bank(), 0.01);
    }

    @Test
    void everyLoadThatIsFedIsThereOnce() {
        NodeCircuit node = node(Given.LOCKS);
        RiverModel model = RiverModel.of(node, 600);
        long fed = Assessment.assess(Given.build(Given.LOCKS), Given.CATALOG).reports().supplies().feeds().stream()
                .filter(feed -> feed.node().node().id().equals("lower-lock"))
                .filter(feed -> feed.rail().isPresent())
                .count();
        // The regulator's input is no end of its own, and the driver's V+ passes all but its 0.1 mA on.
        assertEquals(
                model.leaves().size(),
                model.leaves().stream().map(RiverModel.Leaf::pin).distinct().count());
        assertTrue(
                model.leaves().size() <= fed && model.leaves().size() >= fed - 2,
                model.leaves().toString());
    }
}
