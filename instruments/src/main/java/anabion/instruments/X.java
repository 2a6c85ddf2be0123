package anabion.instruments;

final class X {}
