package inkel.app.bench;

public final class Benchmarks {
    public static void run(java.io.PrintWriter out) {}
}
