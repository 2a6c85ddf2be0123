package anabion.benchmarks;

final class X {}
