package inkel.core.pins.rules;

import inkel.core.circuit.BoardBuses;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.RemovePart;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.pins.NodePins;
import inkel.core.pins.PinReport;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Reports two parts of one I2C bus that answer to the same address, second and all-call addresses included. */
public final class AddressClashRule implements Rule<PinReport> {
    private static final RuleInfo INFO = new RuleInfo("i2c.address_clash", Severity.STOP, Stage.PINS);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PinReport report) {
        List<Finding> findings = new ArrayList<>();
        for (NodePins pins : report.nodes()) {
            pins.i2cBuses().forEach((line, members) -> findings.addAll(onLine(report.circuit(), pins, line, members)));
        }
        findings.addAll(betweenBoards(report));
        return findings;
    }

    /** All of one bus that answer to the same address are told together; each pair on one bus only. */
    private static List<Finding> onLine(Circuit circuit, NodePins pins, Endpoint line, List<Placed> members) {
        List<Placed> hearing = pins.hearing(line);
        Map<Integer, Set<Placed>> answering = new LinkedHashMap<>();
        for (int i = 0; i < members.size(); i++) {
            // The members come first among those that hear.
            for (Placed other : hearing.subList(i + 1, hearing.size())) {
                for (int address : NodePins.commonAddresses(members.get(i), other)) {
                    answering
                            .computeIfAbsent(address, same -> new LinkedHashSet<>())
                            .addAll(List.of(members.get(i), other));
                }
            }
        }
        List<Finding> findings = new ArrayList<>();
        answering.forEach((address, parts) -> {
            List<Placed> all = hearing.stream().filter(parts::contains).toList();
            findings.add(
                    all.size() == 2
                            ? describe(circuit, pins, new Clash(all.get(0), all.get(1), address))
                            : several(circuit, pins, all, address));
        });
        return findings;
    }

    private static Finding several(Circuit circuit, NodePins pins, List<Placed> all, int address) {
        List<Placed> leaving = all.subList(1, all.size());
        return Finding.of(INFO, leaving.stream().map(pins.node()::place).toList())
                .variant("several")
                .with("parts", all.stream().map(one -> one.part().name()).toList())
                .with("address", Engineering.address(address))
                .fixes(() -> {
                    List<Fix> straps = StrapFixes.each(circuit, pins, leaving);
                    return straps.isEmpty() ? BusApart.of(circuit, pins, all) : straps;
                })
                .fix(() -> leaveAllOut(pins, leaving))
                .build();
    }

    /** A board stays. */
    private static Optional<Fix> leaveAllOut(NodePins pins, List<Placed> leaving) {
        List<Placed> parts =
                leaving.stream().filter(one -> !one.part().isBoard()).toList();
        return Optional.of(parts)
                .filter(some -> some.size() == leaving.size())
                .map(some -> new Fix(
                        "leave-out",
                        Fact.of("fix.leave_all_out")
                                .with(
                                        "parts",
                                        some.stream()
                                                .map(one -> one.part().name())
                                                .toList()),
                        Fact.of("fix.leave_out.cost"),
                        some.stream()
                                .<Edit>map(
                                        one -> new RemovePart(pins.node().node().id(), one.id()))
                                .toList()));
    }

    /** On one bus that several boards are on, each pair of parts of two tables once. */
    private static List<Finding> betweenBoards(PinReport report) {
        List<Finding> findings = new ArrayList<>();
        for (List<Place> lines : BoardBuses.all(report.circuit())) {
            for (int i = 0; i < lines.size(); i++) {
                for (Place other : lines.subList(i + 1, lines.size())) {
                    findings.addAll(between(report, lines.get(i), other));
                }
            }
        }
        return findings;
    }

    private static List<Finding> between(PinReport report, Place line, Place other) {
        NodePins near = report.node(line.node()).orElseThrow();
        NodePins far = report.node(other.node()).orElseThrow();
        List<Finding> findings = new ArrayList<>();
        for (Placed first : near.hearing(line.endpoint())) {
            for (Placed second : far.hearing(other.endpoint())) {
                for (int address : NodePins.commonAddresses(first, second)) {
                    findings.add(describe(report.circuit(), near, far, new Clash(first, second, address)));
                }
            }
        }
        return findings;
    }

    private static Finding describe(Circuit circuit, NodePins near, NodePins far, Clash clash) {
        Finding.Builder finding = Finding.of(INFO, far.node().place(clash.second()))
                .variant("boards")
                .with("part", clash.second().part().name())
                .with("node", far.node().node().name())
                .with("other", clash.first().part().name())
                .with("far", near.node().node().name())
                .with("address", Engineering.address(clash.address()));
        if (isMain(clash.second(), clash)) {
            toFree(circuit, far, clash.second()).forEach(finding::fix);
        }
        if (isMain(clash.first(), clash)) {
            toFree(circuit, near, clash.first()).forEach(finding::fix);
        }
        return finding.fixes(() -> leaveOut(far, clash.second())).build();
    }

    /** A board stays. */
    private static List<Fix> leaveOut(NodePins pins, Placed placed) {
        return placed.part().isBoard() ? List.of() : List.of(PinFixes.leaveOut(pins, placed));
    }

    /** Parts of two tables may be called alike. */
    private static List<Fix> toFree(Circuit circuit, NodePins pins, Placed placed) {
        if (placed.part().isBoard()) {
            return ofBoard(circuit, pins);
        }
        return StrapFixes.toFree(pins, placed).stream()
                .map(fix -> new Fix(
                        fix.id() + "-on-" + pins.node().node().id(),
                        fix.title()
                                .as("fix.strap_on")
                                .with("node", pins.node().node().name()),
                        fix.cost(),
                        fix.edits()))
                .toList();
    }

    private static boolean isMain(Placed placed, Clash clash) {
        return placed.address()
                .or(placed::answersAt)
                .filter(main -> main == clash.address())
                .isPresent();
    }

    private static List<Fix> ofBoard(Circuit circuit, NodePins pins) {
        Set<String> nodes = new HashSet<>();
        pins.linkEnds().stream()
                .filter(end -> end.line().isPresent())
                .flatMap(end -> BoardBuses.pinsOn(circuit, end.here()).stream())
                .forEach(pin -> nodes.add(pin.node()));
        return BoardsAddressRule.elsewhere(circuit, pins.node(), nodes).stream().toList();
    }

    private record Clash(Placed first, Placed second, int address) {}

    private static Finding describe(Circuit circuit, NodePins pins, Clash clash) {
        Finding.Builder finding = Finding.of(INFO, pins.node().place(clash.second()))
                .with("part", clash.second().part().name())
                .with("other", clash.first().part().name())
                .with("address", Engineering.address(clash.address()));
        finding.fixes(() -> {
            List<Fix> straps = Stream.of(clash.second(), clash.first())
                    .filter(placed -> isMain(placed, clash))
                    .flatMap(placed -> (placed.part().isBoard()
                                    ? ofBoard(circuit, pins)
                                    : StrapFixes.toFree(pins, placed))
                            .stream())
                    .toList();
            return straps.isEmpty() ? BusApart.of(circuit, pins, List.of(clash.first(), clash.second())) : straps;
        });
        Placed leaving = clash.second().part().isBoard() ? clash.first() : clash.second();
        return finding.fixes(() -> leaveOut(pins, leaving)).build();
    }
}
