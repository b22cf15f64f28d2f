package inkel.core.tune.code;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.routine.Step;
import inkel.core.circuit.Circuit;
import inkel.core.kit.TwoBoards;
import inkel.core.pins.PinReport;
import inkel.core.tune.code.StartPlan.Task;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a program to begin with does with wires from and to other boards. */
class StartBoardsTest {
    private static List<Task> boards(String... wires) throws Exception {
        Circuit circuit = Circuit.of(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, wires), CATALOG);
        return StartPlan.boards(circuit.node("one").orElseThrow(), PinReport.of(circuit));
    }

    private static List<String> tasks(String... wires) throws Exception {
        return boards(wires).stream()
                .map(task -> task.name() + " of " + task.part().part().name() + " reads "
                        + task.routine().read() + " keys " + task.routine().key() + " at "
                        + task.leads().stream().map(lead -> lead.pin().label()).toList())
                .toList();
    }

    @Test
    void whatIsHeardIsReadAndWhatIsSentIsForAKey() throws Exception {
        assertEquals(
                List.of(
                        "TO_TWO of two reads [] keys [Switch[pin=D18, isHigh=true]] at [D3]",
                        "FROM_TWO of two reads [Read[pin=D19], Read[pin=D23]] keys [] at [D4, D5]"),
                tasks("one.D3 > two.D18", "two.D19 > one.D4", "two.D23 > one.D5"));
    }

    @Test
    void aSerialLineRestsHighAndSaysALineForAKeyAndWhatComesIsListenedTo() throws Exception {
        assertEquals(
                List.of(
                        "TO_TWO of two reads [] keys [Line[say=inkel one, within=0 s]] at [D1]",
                        "FROM_TWO of two reads [Line[say=, within=1 s]] keys [] at [D0]"),
                tasks("one.D1 > two.D16", "two.D17 > one.D0"));
        Task to = boards("one.D7 > two.D18 : serial 4800", "two.D17 > one.D8 : serial")
                .get(0);
        assertEquals(List.of(new Step.Level("D18", true)), to.routine().begin());
    }

    @Test
    void theRateIsThatOfTheWireOrOfTheOtherOfItsLineOrTheUsualOne() throws Exception {
        assertEquals(List.of(4800L, 4800L), rates("one.D7 > two.D18 : serial 4800", "two.D17 > one.D8 : serial"));
        assertEquals(List.of(9600L), rates("one.D7 > two.D18 : serial"));
        assertEquals(List.of(1200L, 2400L), rates("one.D7 > two.D18 : serial 1200", "two.D17 > one.D8 : serial 2400"));
    }

    private static List<Long> rates(String... wires) throws Exception {
        return boards(wires).stream()
                .map(task -> (StartPlan.Link.Serial) task.link().orElseThrow())
                .map(line -> Math.round(line.baud().hertz()))
                .toList();
    }

    @Test
    void aPlainWireMayGoBesideALine() throws Exception {
        assertEquals(
                List.of("TO_TWO of two reads [] keys [Line[say=inkel one, within=0 s], Switch[pin=D19, isHigh=true]] at"
                        + " [D7, D8]"),
                tasks("one.D7 > two.D18 : serial", "one.D8 > two.D19"));
        assertEquals(
                List.of("TO_TWO of two reads [] keys [Line[say=inkel one, within=0 s]] at [D7]"),
                tasks("one.D7 > two.D18 : serial", "one.D8 > two.D19 : serial"),
                "the second line is the builder's");
    }

    @Test
    void busesAreLeftToTheBuilder() throws Exception {
        assertEquals(List.of(), tasks("one.A4 > two.D21", "one.A5 > two.D22"));
        assertEquals(1, tasks("one.D1 > two.D16 : plain").size());
    }
}
