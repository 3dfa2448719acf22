package dev.deftchisel.signature.declaration;

import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.StatementTree;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.TypeWriter;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** Writes the new header of one declaration, and the new names of its parameters in its body. */
public final class DeclarationEdits {

    private final Analysis before;
    private final SignatureChange change;
    private final DeclaredHeader declared;
    private final NestedEdits edits;
    private final TypeWriter writer;
    private final boolean isOwn;
    private final TypedCode typedCode;
    private final Map<SymbolKey, String> names = new HashMap<>();

    /**
     * @param declared one declaration of the family
     * @param edits    of its file
     * @param writer   of types there
     */
    public DeclarationEdits(Analysis before, SignatureChange change, DeclaredHeader declared, NestedEdits edits,
            TypeWriter writer) {
        this.before = before;
        this.change = change;
        this.declared = declared;
        this.edits = edits;
        this.writer = writer;
        this.isOwn = declared.element().equals(change.own().element());
        this.typedCode = new TypedCode(before, change, declared.code(), writer);
    }

    /** The names that its parameters get; after {@link #write}. */
    public Map<SymbolKey, String> names() {
        return Map.copyOf(names);
    }

    /** What is in the way; when nothing is, all is written. */
    public Optional<Reason> write() {
        Optional<Reason> used = usedThoughDropped();
        if (used.isPresent()) {
            return used;
        }
        given();
        renames();
        Optional<Reason> modifiers = modifiers();
        if (modifiers.isPresent()) {
            return modifiers;
        }
        if (isOwn && change.changesTypeParameters()) {
            typeParameters();
        }
        if (change.rewritesParameters()) {
            Optional<Reason> objection = new ParameterListEdits(typedCode, declared, edits).write();
            if (objection.isPresent()) {
                return objection;
            }
        }
        return result();
    }

    /** How far it is open then, if that changes. */
    public Optional<AccessLevel> newAccess() {
        boolean isBelow = !isOwn && before.overrides(declared.code().key(declared.element()),
                change.own().code().key(change.own().element()));
        return new ModifierEdits(change, declared, edits).access(isOwn, isBelow);
    }

    private Optional<Reason> modifiers() {
        Optional<AccessLevel> access = newAccess();
        boolean isOfInterface = declared.element().getEnclosingElement().getKind().isInterface();
        if (access.isPresent() && isOfInterface) {
            return at(declared.name(), "members of an interface are public (JLS 9.4)");
        }
        new ModifierEdits(change, declared, edits).write(access, isOwn ? (change.becomesStatic() ? "static " : "")
                + (change.becomesFinal() ? "final " : "") : "");
        return Optional.empty();
    }

    private Optional<Reason> at(Range range, String sentence) {
        return Optional.of(Reason.at(declared.code().file().path(), range, sentence));
    }

    private SymbolKey key(int parameter) {
        return declared.code().key(declared.element().getParameters().get(parameter));
    }

    private Optional<Reason> usedThoughDropped() {
        for (int i = 0; i < change.before(); i++) {
            if (change.isDropped(i) && !change.given().containsKey(i)) {
                Optional<Binding> use = before.uses(key(i)).stream()
                        .filter(one -> one.role().isUse()).findFirst();
                if (use.isPresent()) {
                    return at(use.get().range(), "the parameter '" + oldName(i) + "' is still used here");
                }
            }
        }
        return Optional.empty();
    }

    /** Parameters become variables at the start of the body, where that needs them. */
    private void given() {
        MethodTree method = (MethodTree) declared.path().getLeaf();
        List<Integer> needed = change.given().keySet().stream().sorted().filter(parameter -> method.getBody() != null
                && before.uses(key(parameter)).stream().anyMatch(use -> use.role().isUse())).toList();
        if (needed.isEmpty()) {
            return;
        }
        AttributedFile code = declared.code();
        List<? extends StatementTree> statements = method.getBody().getStatements();
        // the call of a constructor that nobody wrote stands nowhere
        boolean callsOther = code.find(statements.get(0)).isPresent()
                && statements.get(0) instanceof ExpressionStatementTree first
                && first.getExpression() instanceof MethodInvocationTree call && TreePaths.callsConstructor(call);
        int at = callsOther ? code.range(statements.get(0)).end() : code.range(method.getBody()).start() + 1;
        Layout layout = Layout.of(code.file());
        String line = layout.lineEnd() + Layout.indentOf(code.file(), code.range(method).start()) + layout.unit();
        edits.replace(new Range(at, at), List.of(), text -> {
            for (int parameter : needed) {
                TypedHeader.TypedParameter one = declared.header().parameters().get(parameter);
                edits.carry(text.write(line), declared.place(new Range(one.modifiers().start(), one.name().end())));
                text.write(" = " + change.given().get(parameter) + ";");
            }
        });
    }

    private String oldName(int origin) {
        return declared.header().at(declared.header().parameters().get(origin).name());
    }

    /** An override has the new name too, where it had the old one. */
    private Optional<String> newName(int index) {
        int origin = change.origins().get(index);
        String old = oldName(origin);
        return Optional.of(change.name(index)).filter(name -> !name.equals(old)
                && old.equals(change.oldName(origin)));
    }

    private void renames() {
        for (int i = 0; i < change.origins().size(); i++) {
            if (!change.isAdded(i) && newName(i).isPresent()) {
                SymbolKey parameter = key(change.origins().get(i));
                String name = newName(i).get();
                names.put(parameter, name);
                before.uses(parameter).stream().filter(Binding::isNamed).forEach(use -> edits.rename(use, name));
            }
        }
    }

    /** Whether its result gets the new type: that of an override may stay where it is below (JLS 8.4.5). */
    public boolean changesResult() {
        Optional<Range> old = declared.header().head().result();
        return change.changesResult() && old.isPresent() && (isOwn || !isBelow(change.types().method().getReturnType())
                && TypedHeader.compact(declared.header().at(old.get())).equals(TypedHeader.compact(
                change.own().header().at(change.own().header().head().result().orElseThrow()))));
    }

    private void typeParameters() {
        TypedHeader.Head head = declared.header().head();
        String typed = change.typed().at(change.typed().head().typeParameters().orElseThrow());
        String text = TypedHeader.compact(typed).equals("< >") ? "" : typedCode.type(typed);
        int start = declared.place(head.typeParameters().or(head::result).orElse(declared.header().name())).start();
        int end = head.typeParameters().map(declared::place).map(Range::end).orElse(start);
        boolean isGone = text.isEmpty() && declared.code().file().content().charAt(end) == ' ';
        edits.replace(new Range(start, isGone ? end + 1 : end), List.of(), to -> to.write(text
                + (head.typeParameters().isEmpty() && !text.isEmpty() ? " " : "")));
    }

    private Optional<Reason> result() {
        Optional<Range> old = declared.header().head().result();
        if (changesResult()) {
            TypeMirror type = change.types().method().getReturnType();
            Optional<String> written = isOwn ? change.typed().head().result().map(change.typed()::at)
                    .map(typedCode::type) : type.getKind() == TypeKind.VOID ? Optional.of("void") : writer.write(type);
            if (written.isEmpty()) {
                return at(declared.name(), "the type of the result has no name that could be written here");
            }
            edits.replace(declared.place(old.get()), List.of(), text -> text.write(written.get()));
        }
        return isOwn ? thrown() : Optional.empty();
    }

    /** Whether the result of this override may stay where the one above becomes another (JLS 8.4.5). */
    private boolean isBelow(TypeMirror result) {
        TypeElement above = result instanceof DeclaredType declaredType ? declared.code().elements()
                .getTypeElement(((TypeElement) declaredType.asElement()).getQualifiedName()) : null;
        return above != null && declared.element().getReturnType() instanceof DeclaredType own
                && declared.code().isKind(declared.code().types().erasure(own), declared.code().types()
                .erasure(above.asType()));
    }

    private Optional<Reason> thrown() {
        Optional<Range> typed = change.typed().thrown();
        Optional<Range> old = declared.header().thrown().filter(range -> range.length() > 0);
        if (typed.isEmpty() || old.isPresent() && TypedHeader.compact(change.typed().at(typed.get()))
                .equals(TypedHeader.compact(declared.header().at(old.get())))) {
            return Optional.empty();
        }
        String types = typedCode.type(change.typed().at(typed.get()));
        int close = declared.inner().end() + 1;
        Range clause = old.map(range -> new Range(close, declared.place(range).end())).orElse(new Range(close, close));
        edits.replace(clause, List.of(), text -> text.write(types.isEmpty() ? "" : " throws " + types));
        return Optional.empty();
    }
}
