package dev.deftchisel.signature.call;

import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.operation.NewName;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.ListSlots;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.VariableElement;

/** Writes the parameters of a lambda (JLS 15.27.1) that implements a method whose parameters change. */
final class LambdaEdits {

    private final Analysis before;
    private final TypedCode typed;
    private final SignatureChange change;
    private final AttributedFile code;
    private final TreePath path;
    private final List<? extends VariableTree> parameters;
    private final NestedEdits edits;

    /**
     * @param typed what is written in the file
     * @param path  the lambda
     * @param edits of the file
     */
    LambdaEdits(TypedCode typed, TreePath path, NestedEdits edits) {
        this.before = typed.before();
        this.typed = typed;
        this.change = typed.change();
        this.code = typed.code();
        this.path = path;
        this.parameters = ((LambdaExpressionTree) path.getLeaf()).getParameters();
        this.edits = edits;
    }

    /** What is in the way; when nothing is, all is written. */
    Optional<Reason> write() {
        for (int i = 0; i < change.before(); i++) {
            Optional<Binding> use = change.origins().contains(i) ? Optional.empty() : used(i);
            if (use.isPresent()) {
                return Optional.of(Reason.at(code.file().path(), use.get().range(), "the parameter '"
                        + parameters.get(i).getName() + "' of the lambda is still used here"));
            }
        }
        Range whole = code.range(path.getLeaf());
        Tokens tokens = code.tokens();
        int open = tokens.at(whole.start());
        boolean isBare = !tokens.is(open, "(");
        Range inner = isBare ? code.range(parameters.get(0)) : new Range(tokens.end(open), close(open));
        ListSlots slots = new ListSlots(code.file(), inner, parameters.stream().map(code::range).toList());
        List<ListSlots.Item> items = new ArrayList<>();
        Set<String> taken = taken();
        for (int i = 0; i < change.origins().size(); i++) {
            int index = i;
            Optional<String> type = typeOf(index);
            if (type.isEmpty()) {
                return Optional.of(Reason.at(code.file().path(), whole, "the type of '" + change.name(index)
                        + "' has no name that could be written here"));
            }
            int origin = change.origins().get(index);
            if (change.isAdded(index)) {
                String name = NewName.free(taken, change.name(index));
                taken.add(name);
                items.add(ListSlots.Item.of(text -> text.write(type.get() + name)));
            } else if (isTyped() && !isVar() && change.isRetyped(index)) {
                Range name = code.name(parameters.get(origin));
                items.add(ListSlots.Item.of(text -> edits.carry(text.write(type.get()), name)));
            } else {
                items.add(slots.item(origin, edits));
            }
        }
        boolean needsParentheses = isBare && items.size() != 1;
        edits.replace(inner, List.of(), text -> {
            text.write(needsParentheses ? "(" : "");
            slots.write(text, items);
            text.write(needsParentheses ? ")" : "");
        });
        return Optional.empty();
    }

    private Optional<Binding> used(int parameter) {
        return code.element(new TreePath(path, parameters.get(parameter))).stream()
                .flatMap(element -> before.uses(code.key(element)).stream())
                .filter(use -> use.role() != Role.DECLARATION).findFirst();
    }

    private int close(int open) {
        Tokens tokens = code.tokens();
        int depth = 0;
        int at = open;
        do {
            depth += tokens.is(at, "(") ? 1 : tokens.is(at, ")") ? -1 : 0;
            at++;
        } while (depth > 0 && at < tokens.count());
        return tokens.start(at - 1);
    }

    private boolean isTyped() {
        return !parameters.isEmpty() && code.range(parameters.get(0)).start() < code.name(parameters.get(0)).start();
    }

    private boolean isVar() {
        return isTyped() && code.text(parameters.get(0)).matches("(?s)(final\\s+)?var\\s.*");
    }

    /** What stands before the name; nothing where the lambda says no types. */
    private Optional<String> typeOf(int index) {
        if (!isTyped()) {
            return Optional.of("");
        }
        return isVar() ? Optional.of("var ") : typed.writer().write(change.type(index)).map(type -> type + " ");
    }

    private Set<String> taken() {
        Set<String> names = new HashSet<>();
        code.visible(path).stream().filter(one -> one instanceof VariableElement && !one.getKind().isField())
                .forEach(one -> names.add(one.getSimpleName().toString()));
        names.addAll(code.tokens().names(code.range(path.getLeaf())));
        return names;
    }
}
