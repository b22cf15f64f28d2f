package inkel.core.wake.report;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.zip.CRC32;

/** Eight digits that change when anything about the wires of a part does (CRC-32 of what the list says of them). */
public final class WireHash {
    private WireHash() {}

    /** Of the wires at a part, what stands in them, and its address; capacitors across supplies change no wire. */
    public static String of(NodeCircuit node, WireList list, Placed placed) {
        List<String> told = list.steps().stream()
                .filter(step -> isAt(step, placed.id()) && !step.isAcrossSupply())
                .map(step -> step.id()
                        + step.inLine().map(piece -> " " + piece.text()).orElse("")
                        + step.fitting().map(piece -> " " + piece.value().si()).orElse(""))
                .sorted()
                .toList();
        CRC32 sum = new CRC32();
        sum.update((placed.cls().id() + "\n" + String.join("\n", told) + "\n"
                        + placed.address().map(String::valueOf).orElse(""))
                .getBytes(StandardCharsets.UTF_8));
        return String.format(Locale.ROOT, "%08x", sum.getValue());
    }

    private static boolean isAt(WireStep step, String part) {
        return step.subject().part().equals(part)
                || List.of(step.from(), step.to()).stream()
                        .anyMatch(end -> end instanceof Terminal.OnPin on
                                && on.pin().part().equals(part));
    }
}
