/** An operation and a rule of one's own; what they use of deft is exported by its core. */
module harbour.extension {
    requires dev.deftchisel.core;
    requires jdk.compiler;

    provides dev.deftchisel.operation.Operation with harbour.extension.ParenthesizeOperation;
    provides dev.deftchisel.problem.Rule with harbour.extension.MoneyByReference;
}
