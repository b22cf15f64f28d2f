package inkel.core.log;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Foretold;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.document.edit.WriteLine;
import inkel.core.kit.Builds;
import inkel.core.quantity.Voltage;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class RegisterTest {
    private static LogLine.Measured read(String pin, String check, double volts) {
        return new LogLine.Measured(
                Instant.parse("2026-05-09T10:00:00Z"),
                Place.of(Builds.NODE, new Endpoint("out", pin)),
                LogLine.What.VOLTS,
                Voltage.ofVolts(volts),
                "",
                LogLine.By.TYPED,
                Standing.NOWHERE,
                Optional.of(new Foretold(check, Optional.empty(), Optional.empty(), Optional.empty())),
                Extras.NONE);
    }

    @Test
    void readingsOfAPlaceAreOneRowAndThoseOfACodeEachTheirOwn() throws Exception {
        Build build = Builds.classic().build();
        List<LogLine.Measured> all = List.of(
                read("VCC", "volts out.VCC", 5.01),
                read("VCC", "busy out.VCC", 4.97),
                read("OUT", "code out.OUT 64", 1.25),
                read("OUT", "code out.OUT 128", 2.5),
                read("OUT", "code out.OUT 64", 1.26));
        for (LogLine.Measured one : all) {
            build = new WriteLine(one).apply(build);
        }
        Register register = Register.of(build);
        assertEquals(List.of(all.get(0), all.get(1)), register.readings(all.get(0)));
        assertEquals(List.of(all.get(2), all.get(4)), register.readings(all.get(4)));
        assertEquals(List.of(all.get(3)), register.readings(all.get(3)));
    }
}
