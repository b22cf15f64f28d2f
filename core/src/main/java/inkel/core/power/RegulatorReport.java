package inkel.core.power;

import inkel.core.catalog.Output;
import inkel.core.catalog.Regulator;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Endpoint;
import inkel.core.formula.RegulatorHeat;
import inkel.core.quantity.Current;
import inkel.core.quantity.Power;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * A regulator at work, at the worst of its input: the lowest for what it needs above its output, the highest for heat.
 *
 * @param in what comes in
 * @param supply the pin it comes in through
 */
public record RegulatorReport(NodeCircuit node, Placed placed, Rail rail, Supply supply, Range<Voltage> in) {
    static List<RegulatorReport> of(NodeCircuit node) {
        return node.rails().stream().flatMap(rail -> of(node, rail).stream()).toList();
    }

    private static Optional<RegulatorReport> of(NodeCircuit node, Rail rail) {
        Output.Way way = rail.output().way();
        if (way != Output.Way.LINEAR && way != Output.Way.SWITCHING) {
            return Optional.empty();
        }
        Placed placed = node.part(rail.id().part()).orElseThrow();
        return rail.output().from().flatMap(placed.cls()::supply).flatMap(supply -> node.railOf(placed, supply.pin())
                .flatMap(Rail::volts)
                .map(in -> new RegulatorReport(node, placed, rail, supply, behindDiode(placed, supply, in))));
    }

    private static Range<Voltage> behindDiode(Placed placed, Supply supply, Range<Voltage> in) {
        return placed.hasDiode(supply.pin()) ? in.map(volts -> volts.minus(Placed.DIODE)) : in;
    }

    public Regulator regulator() {
        return rail.output().regulator();
    }

    public boolean isLinear() {
        return rail.output().way() == Output.Way.LINEAR;
    }

    /** What it is made to give, whatever comes in. */
    public Voltage wanted() {
        return rail.output().volts().map(figure -> figure.range().expected()).orElse(Voltage.ZERO);
    }

    public Source wantedSource() {
        return rail.output().volts().map(figure -> figure.source()).orElse(Source.CLASS);
    }

    /** The least that must come in; absent when the dropout is not known, or when it switches. */
    public Optional<Voltage> needs() {
        return isLinear() ? regulator().dropout().map(wanted()::plus) : Optional.empty();
    }

    public boolean isStarved() {
        return needs().filter(in.lowest()::isBelow).isPresent();
    }

    /** The air around it; 40 °C, as inside a closed box, unless the builder says otherwise. */
    public Temperature ambient() {
        return node.ambient();
    }

    public Source ambientSource() {
        return chosenAmbient().isPresent() ? Source.YOURS : Source.RULE;
    }

    private Optional<Temperature> chosenAmbient() {
        return node.board().own(Settings.AMBIENT);
    }

    /** What it turns into heat on average, at the highest input and the lowest output. */
    public Power loss() {
        Voltage out =
                rail.output().volts().map(figure -> figure.range().lowest()).orElse(Voltage.ZERO);
        if (isLinear() || regulator().efficiency().isEmpty()) {
            return RegulatorHeat.linear(
                    in.highest(), out, carried(), rail.output().own());
        }
        return RegulatorHeat.switching(
                in.highest(),
                out,
                carried(),
                rail.output().own(),
                regulator().efficiency().get());
    }

    /** What runs through it on average: its own rail, rails of the part made from that one, and the part itself. */
    public Current carried() {
        return rail.average().plus(beside());
    }

    /** What runs through it besides what hangs on its rail. */
    private Current beside() {
        double amperes = 0;
        for (String what : rail.output().carries()) {
            if (what.equals(Output.ITSELF)) {
                amperes += placed.cls().average(supply.pin()).amperes();
            } else {
                amperes += node.rail(new Endpoint(placed.id(), what))
                        .map(made -> made.average().plus(made.output().own()))
                        .orElse(Current.ZERO)
                        .amperes();
            }
        }
        return Current.ofAmperes(amperes);
    }

    /** How hot its junction gets; absent when the class does not tell how it sheds heat. */
    public Optional<Temperature> junction() {
        return regulator().thetaCelsiusPerWatt().isEmpty()
                ? Optional.empty()
                : Optional.of(RegulatorHeat.junction(
                        ambient(), regulator().thetaCelsiusPerWatt().getAsDouble(), loss()));
    }

    public boolean isTooHot() {
        return junction()
                .flatMap(junction -> regulator().junctionMax().map(junction::isAbove))
                .orElse(false);
    }

    /** The most it can give on average before it is too hot. */
    public Optional<Current> mostForHeat() {
        if (regulator().thetaCelsiusPerWatt().isEmpty()
                || regulator().junctionMax().isEmpty()
                || !isLinear()) {
            return Optional.empty();
        }
        Voltage out =
                rail.output().volts().map(figure -> figure.range().lowest()).orElse(Voltage.ZERO);
        Current most = RegulatorHeat.mostLinear(
                in.highest(),
                out,
                rail.output().own(),
                ambient(),
                regulator().thetaCelsiusPerWatt().getAsDouble(),
                regulator().junctionMax().get());
        return Optional.of(Quantity.larger(Current.ZERO, most.minus(beside())));
    }
}
