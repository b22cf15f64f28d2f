package inkel.core.tune.code;

import static inkel.core.kit.Builds.CATALOG;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.circuit.Circuit;
import inkel.core.kit.TwoBoards;
import inkel.core.pins.PinReport;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a program to begin with does with wires from and to other boards. */
class StartBoardsTest {
    private static List<String> tasks(String... wires) throws Exception {
        Circuit circuit = Circuit.of(TwoBoards.joined(TwoBoards.CLASSIC, TwoBoards.WIRELESS, wires), CATALOG);
        return StartPlan.boards(circuit.node("one").orElseThrow(), PinReport.of(circuit)).stream()
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
    void serialLinesAndBusesAreLeftToTheBuilder() throws Exception {
        assertEquals(List.of(), tasks("one.D1 > two.D16", "two.D17 > one.D0"));
        assertEquals(List.of(), tasks("one.A4 > two.D21", "one.A5 > two.D22"));
        assertEquals(List.of(), tasks("one.D7 > two.D18 : serial"));
        assertEquals(1, tasks("one.D1 > two.D16 : plain").size());
    }
}
