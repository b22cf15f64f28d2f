package inkel.core.tune.colour;

/** What is left of a reading when dark, white and brightness are taken out: each colour against clear, 1 for a white sheet. */
public record Shares(double red, double green, double blue) {
    public double channel(int number) {
        return number == 0 ? red : number == 1 ? green : blue;
    }
}
