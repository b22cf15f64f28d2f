package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Question;
import inkel.core.bench.fault.Layout;
import inkel.core.circuit.Circuit;
import inkel.core.document.Meter;
import inkel.core.document.Place;
import inkel.core.kit.Builds;
import inkel.core.wiring.WireStep;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class MoreLooksTest {
    private final Layout layout = Layout.of(Circuit.of(Builds.locks(), Builds.CATALOG));
    private final NodeWake wake =
            WakePlan.of(layout.circuit(), Meter.USUAL).nodes().get(0);
    private final MoreLooks looks = new MoreLooks(layout, wake, Meter.USUAL);
    private final String node = wake.node().node().id();
    private final Check radio = wake.check("volts radio.VCC").orElseThrow();

    private String wire() {
        return layout.lists().get(0).steps().stream()
                .filter(step -> step.subject().toString().startsWith(node + "/radio")
                        && step.fitting().isEmpty())
                .map(WireStep::id)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void eachIsFoundAgainByItsId() {
        List<Optional<Check>> made = List.of(
                looks.along(wire(), radio),
                looks.ohms(wire()),
                looks.sits(wire()),
                looks.again(Builds.end("reg.OUT"), radio),
                looks.ohmsBetween(Builds.end("radio.SCK"), Builds.end("radio.MOSI")),
                looks.ohmsToGround(Builds.end("radio.SCK")),
                looks.seen(Question.Sort.CODE, Place.of(node, Builds.end("radio.CE"))),
                looks.seen(Question.Sort.BRIDGE, Place.ofPart(node, "radio")));
        for (Optional<Check> look : made) {
            Check check = look.orElseThrow();
            assertEquals(check, looks.check(check.id()).orElseThrow());
            assertEquals(Phase.BESIDES, check.group().phase());
        }
    }

    @Test
    void noLookIsMadeOfWhatIsNotThere() {
        for (String id : List.of(
                "",
                "along",
                "along nothing | volts radio.VCC",
                "along " + wire(),
                "along " + wire() + " | volts nobody.VCC",
                "ohms wire nothing",
                "ohms between radio.SCK",
                "ohms between radio.SCK nobody.X",
                "see code nobody.X",
                "see wire 3",
                "volts radio.VCC")) {
            assertEquals(Optional.empty(), looks.check(id), id);
        }
    }

    @Test
    void alongAWireHardlyAnythingIsLostAndItsOhmsAreFew() {
        Expected.Within along =
                (Expected.Within) looks.along(wire(), radio).orElseThrow().expected();
        assertTrue(along.high().orElseThrow().si() < 0.02);
        assertTrue(along.low().orElseThrow().si() > -0.02);
        Expected.Within ohms =
                (Expected.Within) looks.ohms(wire()).orElseThrow().expected();
        assertTrue(ohms.low().isEmpty());
        assertTrue(ohms.high().orElseThrow().si() < 1);
    }

    @Test
    void theyAreNoPartOfTheOrderOfWork() {
        NodeWake with = wake.with(List.of(looks.ohms(wire()).orElseThrow()));
        WakeState state = WakeState.of(Builds.locks(), with);
        assertEquals("look program", state.next().orElseThrow().id());
        assertEquals(0, state.holding());
    }

    @Test
    void voltsTurnIntoOhmsOfTheSamePointsAndBack() {
        Check ohms = looks.turned(radio).orElseThrow();
        assertEquals(Check.Kind.OHMS, ohms.kind());
        assertEquals(radio.red(), ohms.red());
        assertEquals(radio.black(), ohms.black());
        assertEquals(Optional.of(radio), looks.turned(ohms));
        // A rail has ohms of its own among the checks, before any power.
        Check rail = wake.check("volts reg.OUT").orElseThrow();
        assertEquals(wake.check("ohms reg.OUT"), looks.turned(rail));
        Check wire = looks.ohms(wire()).orElseThrow();
        Check along = looks.turned(wire).orElseThrow();
        assertTrue(along.id().startsWith("along " + wire() + " | "), along.id());
        assertEquals(Optional.of(wire), looks.turned(along));
        assertEquals(Optional.empty(), looks.turned(wake.check("look program").orElseThrow()));
        assertEquals(
                Optional.empty(),
                looks.turned(wake.check("amperes radio.VCC").orElseThrow()),
                "what flows is between no two points");
    }
}
