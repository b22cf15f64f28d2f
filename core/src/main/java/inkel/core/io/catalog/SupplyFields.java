package inkel.core.io.catalog;

import inkel.core.catalog.Battery;
import inkel.core.catalog.Contact;
import inkel.core.catalog.Intake;
import inkel.core.catalog.Mode;
import inkel.core.catalog.Output;
import inkel.core.catalog.Regulator;
import inkel.core.catalog.Supply;
import inkel.core.io.json.Fields;
import inkel.core.quantity.Current;
import inkel.core.quantity.Range;
import inkel.core.quantity.Share;
import inkel.core.quantity.Unit;
import inkel.core.quantity.Voltage;
import java.util.Optional;
import java.util.OptionalDouble;

/** Reads what a part takes and gives: supplies, rails, batteries, regulators, currents. */
final class SupplyFields {
    private static final String CURRENT = "20 mA";
    private static final String VOLTS = "3.3 V";

    private SupplyFields() {}

    static Supply supply(Fields supply) {
        return new Supply(
                supply.text("pin"),
                supply.figure("range", Unit.VOLT, VOLTS),
                supply.quantity("absolute_max", Unit.VOLT, VOLTS),
                supply.has("dropout") ? Optional.of(supply.quantity("dropout", Unit.VOLT, "0.3 V")) : Optional.empty(),
                supply.optionalText("with"),
                supply.flag("cell", false),
                supply.flag("measured", false));
    }

    static Output output(Fields output) {
        return new Output(
                output.text("pin"),
                output.has("volts") ? Optional.of(output.figure("volts", Unit.VOLT, VOLTS)) : Optional.empty(),
                output.figure("rating", Unit.AMPERE, CURRENT),
                output.optionalText("from"),
                PartClassReader.word(output, "way", Output.Way.values(), Output.Way.SOURCE),
                output.has("own") ? output.quantity("own", Unit.AMPERE, CURRENT) : Current.ZERO,
                output.object("regulator").map(SupplyFields::regulator).orElse(Regulator.UNKNOWN),
                output.object("battery").map(SupplyFields::battery),
                drop(output),
                output.texts("carries"),
                output.objects("or_from").stream().map(SupplyFields::intake).toList(),
                output.has("limit")
                        ? Optional.of(PartClassReader.word(output, "limit", Output.Limit.values(), Output.Limit.SET))
                        : Optional.empty(),
                contact(output),
                output.has("set_to")
                        ? Optional.of(output.<Voltage>figure("set_to", Unit.VOLT, VOLTS)
                                .range())
                        : Optional.empty());
    }

    static Battery battery(Fields battery) {
        return new Battery(
                battery.quantity("capacity", Unit.AMPERE_HOUR, "2 Ah"),
                battery.quantity("usable", Unit.ONE, "80 %"),
                battery.quantity("resistance", Unit.OHM, "0.4 Ω"),
                battery.whole("cells", 1, 100, 1),
                battery.flag("block", false));
    }

    static Intake intake(Fields intake) {
        return new Intake(
                intake.text("pin"),
                PartClassReader.word(intake, "way", Output.Way.values(), Output.Way.PASS),
                intake.has("volts") ? Optional.of(intake.figure("volts", Unit.VOLT, VOLTS)) : Optional.empty(),
                intake.has("rating") ? Optional.of(intake.figure("rating", Unit.AMPERE, CURRENT)) : Optional.empty(),
                intake.has("own") ? intake.quantity("own", Unit.AMPERE, CURRENT) : Current.ZERO,
                intake.object("regulator").map(SupplyFields::regulator).orElse(Regulator.UNKNOWN),
                drop(intake),
                intake.texts("carries"));
    }

    private static Optional<Range<Voltage>> drop(Fields way) {
        return way.has("drop")
                ? Optional.of(way.<Voltage>figure("drop", Unit.VOLT, "0.3 V").range())
                : Optional.empty();
    }

    /** The contact that a rail, or a way to ground, goes through. */
    static Optional<Contact> contact(Fields of) {
        return of.object("contact")
                .map(contact -> new Contact(
                        PartClassReader.word(contact, "is", Contact.Is.values(), Contact.Is.NORMALLY_OPEN),
                        contact.text("by"),
                        PartClassReader.word(contact, "at", Contact.At.values(), Contact.At.HIGH)));
    }

    static Regulator regulator(Fields regulator) {
        return new Regulator(
                regulator.has("dropout")
                        ? Optional.of(regulator.quantity("dropout", Unit.VOLT, "1.1 V"))
                        : Optional.empty(),
                regulator.has("theta_c_per_w")
                        ? OptionalDouble.of(regulator.whole("theta_c_per_w", 1, 1000, 1))
                        : OptionalDouble.empty(),
                regulator.has("junction_max")
                        ? Optional.of(regulator.quantity("junction_max", Unit.CELSIUS, "125 °C"))
                        : Optional.empty(),
                regulator.has("efficiency")
                        ? Optional.of(regulator.quantity("efficiency", Unit.ONE, "85 %"))
                        : Optional.empty());
    }

    static Mode mode(Fields mode) {
        Share duty = mode.has("duty") ? mode.quantity("duty", Unit.ONE, "10 %") : Share.of(0);
        return new Mode(
                mode.text("mode"),
                mode.text("supply"),
                mode.figure("current", Unit.AMPERE, CURRENT),
                duty,
                mode.flag("at_rest", false),
                mode.flag("stands_in", false));
    }
}
