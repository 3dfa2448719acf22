package dev.deftchisel.signature;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Family;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Functions;
import dev.deftchisel.analysis.code.RecordPattern;
import dev.deftchisel.analysis.symbol.Binding;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.change.SymbolEffects;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.signature.call.CallObject;
import dev.deftchisel.signature.call.DocumentedReference;
import dev.deftchisel.signature.call.FunctionEdits;
import dev.deftchisel.signature.call.LambdaForReference;
import dev.deftchisel.signature.call.PassedArguments;
import dev.deftchisel.signature.call.PatternEdits;
import dev.deftchisel.signature.declaration.ComputedUses;
import dev.deftchisel.signature.declaration.DeclarationEdits;
import dev.deftchisel.signature.declaration.DocumentedParameters;
import dev.deftchisel.signature.declaration.ElementDefault;
import dev.deftchisel.signature.declaration.ObjectBody;
import dev.deftchisel.signature.declaration.RecordMembers;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.MovedObject;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.plan.TypedCode;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.signature.written.SharedEdits;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Writes a changed signature: all declarations of the family, all calls, and what documentation says of them. */
final class SignatureEdits {

    private static final int MOST_PLACES = 5;

    private final Analysis before;
    private final SignatureChange change;
    private final SymbolKey.Method own;
    private final SharedEdits edits;
    private final Set<SymbolKey> family;
    private final FunctionEdits functions;
    private final Map<SymbolKey, String> names = new HashMap<>();
    private final Map<SymbolKey, NewSignature> signatures = new HashMap<>();
    private final Set<SymbolKey> opened = new HashSet<>();
    /** Elements of annotations with another default. */
    private final Set<SymbolKey> rewritten = new HashSet<>();
    private final List<String> notes = new ArrayList<>();
    /** Calls on, or with, an object that may be none. */
    private final List<String> unsure = new ArrayList<>();
    private int calls;
    private int references;
    private int patterns;

    SignatureEdits(Analysis before, SignatureChange change, SharedEdits edits) {
        this.before = before;
        this.change = change;
        this.own = (SymbolKey.Method) change.own().code().key(change.own().element());
        this.edits = edits;
        this.family = Family.of(before.symbol(own).orElseThrow(), before);
        this.functions = new FunctionEdits(before, change, this::typed, this::in);
    }

    private NestedEdits in(AttributedFile code) {
        return edits.in(code);
    }

    private TypedCode typed(AttributedFile code) {
        return new TypedCode(before, change, code, edits.writer(code));
    }

    /** What is in the way; when nothing is, all is written. */
    Optional<Reason> write() {
        Optional<Reason> bound = change.movesObject() ? new MovedObject(before, change).objection(family)
                : Optional.empty();
        if (bound.isPresent()) {
            return bound;
        }
        for (SymbolKey key : family) {
            Optional<Reason> objection = change.own().isOfRecord() ? record().or(() -> uses(key))
                    : declaration(key).or(() -> uses(key));
            if (objection.isPresent()) {
                return objection;
            }
        }
        boolean isOther = change.rewritesParameters() || change.changesResult();
        Optional<Reason> written = isOther ? functions.write(family) : Optional.empty();
        boolean isInLambda = change.object().isPresent() && (written.isPresent() || functions.lambdas() > 0);
        String sentence = "a lambda implements this method, and its body would have to read the record";
        return !isInLambda ? written : written.map(reason -> new Reason(reason.file(), reason.range(), sentence))
                .or(() -> at(change.own().name(), sentence));
    }

    /** What that does to symbols; after {@link #write}. */
    SymbolEffects effects() {
        Set<String> marks = IntStream.range(0, change.origins().size()).filter(change::isToChoose)
                .mapToObj(change::mark).collect(Collectors.toSet());
        return new SymbolEffects(names, Map.of()).with(signatures).opening(opened)
                .rewriting(rewritten).marking(marks);
    }

    /** How much is concerned; after {@link #write}. */
    String note() {
        int overrides = family.size() - 1;
        String declared = change.own().isOfRecord() ? counted(patterns, "pattern") : counted(overrides, "override");
        String lambdas = functions.lambdas() == 0 ? "" : ", " + counted(functions.lambdas(), "lambda");
        return counted(calls, "call") + ", " + declared + lambdas + ", " + counted(references, "reference")
                + " in documentation";
    }

    /** What the user should look at besides; after {@link #write}. */
    List<String> notes() {
        List<String> all = new ArrayList<>(notes);
        unsure.stream().limit(MOST_PLACES).forEach(all::add);
        if (unsure.size() > MOST_PLACES) {
            all.add("so it is with " + counted(unsure.size() - MOST_PLACES, "more call"));
        }
        return List.copyOf(all);
    }

    private static String counted(int count, String what) {
        return count + " " + what + (count == 1 ? "" : "s");
    }

    private Optional<Reason> declaration(SymbolKey key) {
        Optional<Binding> declared = before.declaration(key);
        Optional<AttributedFile> home = declared.flatMap(binding -> before.code(binding.file()));
        if (home.isEmpty()) {
            Optional<Symbol> other = before.symbol(key);
            String name = other.map(Symbol::signature).orElse("one");
            return at(change.own().name(), other.filter(Symbol::isSource).isPresent()
                    ? "the method goes together with " + name + ", which reads a component of a record, and has no "
                    + "parameters (JLS 8.10.3)"
                    : "the method overrides or implements " + name + " of a library, which stays as it is");
        }
        Optional<DeclaredHeader> header = DeclaredHeader.at(home.get(), declared.get().range());
        if (header.isEmpty() || header.get().header().parameters().size() != change.before()) {
            return Optional.of(Reason.at(declared.get().file(), declared.get().range(),
                    "the parameters here are those of a record, or not written in a way that can be changed"));
        } else if (!home.get().sharesTypesWith(change.own().code())) {
            return Optional.of(Reason.at(declared.get().file(), declared.get().range(),
                    "this is in a part of the workspace that is compiled apart from the method"));
        }
        if (change.changesTypeParameters() && family.size() > 1) {
            return Optional.of(Reason.at(declared.get().file(), declared.get().range(),
                    "this has type parameters of its own, which would not change along"));
        }
        change.newMethodName().ifPresent(name -> names.put(key, name));
        DeclarationEdits written = new DeclarationEdits(before, change, header.get(), in(home.get()),
                edits.writer(home.get()));
        boolean isOtherSignature = change.rewritesParameters() || change.changesResult()
                || change.typed().thrown().isPresent() || change.changesTypeParameters()
                || written.newAccess().isPresent() || change.movesObject();
        written.newAccess().filter(level -> level.compareTo(SignatureChange.access(header.get().element())) > 0)
                .ifPresent(level -> opened.add(key));
        if (isOtherSignature) {
            signatures.put(key, change.signature((SymbolKey.Method) key, written.changesResult()));
        }
        Optional<Reason> objection = written.write();
        if (ElementDefault.changes(header.get().header(), change.typed())) {
            ElementDefault value = new ElementDefault(change, this::typed, this::in);
            value.write();
            rewritten.add(key);
            if (value.annotations() > 0) {
                notes.add(counted(value.annotations(), "annotation") + " that left '" + own.name()
                        + "' out now say" + (value.annotations() == 1 ? "s" : "") + " what it was by default");
            }
        }
        if (change.movesObject()) {
            new ObjectBody(before, change, in(home.get())).write();
        }
        notes.addAll(new ComputedUses(before, change, header.get()).notes());
        names.putAll(written.names());
        new DocumentedParameters(change, header.get(), in(home.get())).write();
        return objection;
    }

    private Optional<Reason> record() {
        AttributedFile code = change.own().code();
        RecordMembers members = new RecordMembers(typed(code), this::in);
        Optional<Reason> objection = members.write();
        names.putAll(members.names());
        signatures.putAll(members.signatures());
        if (change.rewritesParameters()) {
            signatures.put(own, change.signature(own, false));
        }
        new DocumentedParameters(change, change.own(), in(code)).write();
        return objection.or(this::patterns);
    }

    private Optional<Reason> patterns() {
        for (Binding use : change.keepsPositions() ? List.<Binding>of() : before.uses(own.owner())) {
            Optional<AttributedFile> code = before.code(use.file());
            Optional<RecordPattern> pattern = code.flatMap(file -> RecordPattern.at(file, use.range()))
                    .filter(found -> found.parts().size() == change.before());
            if (pattern.isPresent()) {
                TypedCode typed = typed(code.get());
                Optional<Reason> objection = new PatternEdits(typed, pattern.get(), in(code.get())).write();
                if (objection.isPresent()) {
                    return objection;
                }
                patterns++;
            }
        }
        return Optional.empty();
    }

    private Optional<Reason> at(Range range, String sentence) {
        return Optional.of(Reason.at(change.own().code().file().path(), range, sentence));
    }

    private Optional<Reason> uses(SymbolKey key) {
        for (Binding use : before.uses(key)) {
            Optional<AttributedFile> code = before.code(use.file());
            if (code.isEmpty()) {
                continue;
            }
            if (use.isNamed()) {
                change.newMethodName().ifPresent(name -> in(code.get()).rename(use, name));
            } else if (use.role() == Role.WRITE) {
                // @Fee(3) names its element only by leaving it out (JLS 9.7.3)
                change.newMethodName().ifPresent(name -> in(code.get()).qualify(use.range().start(), name + " = "));
            }
            if (use.role() == Role.DOC) {
                references++;
                DocumentedReference.write(change, code.get().file(), use.range(), in(code.get()),
                        index -> documented(code.get(), index));
            } else if (use.role() != Role.DECLARATION && use.role() != Role.IMPORT) {
                Optional<Reason> objection = call(code.get(), use);
                if (objection.isPresent()) {
                    return objection;
                }
            }
        }
        return Optional.empty();
    }

    private Optional<Reason> call(AttributedFile code, Binding use) {
        Optional<TreePath> call = code.call(use);
        calls++;
        if (change.rewritesParameters()) {
            anonymous(use);
        }
        boolean isPassedTheSame = change.keepsPositions() && !(change.packs() && call.isPresent());
        if (isPassedTheSame && !change.movesObject()) {
            return Optional.empty();
        }
        TypedCode typed = typed(code);
        if (change.movesObject()) {
            if (call.isEmpty()) {
                return objectOfReference(code, use);
            }
            boolean mayBeNull = new CallObject(typed, call.get(), in(code)).mayBeNull();
            unsure.addAll(mayBeNull ? List.of(isNoticed(use)) : List.of());
        }
        if (call.isEmpty() && change.object().isPresent()) {
            return Optional.of(Reason.at(use.file(), use.range(), "the method is named here without being called; "
                    + "write a lambda that calls it first"));
        } else if (call.isEmpty()) {
            Optional<Functions.Implementation> reference = LambdaForReference.reference(code, use.range());
            boolean isFunction = reference.filter(one -> family.contains(code.key(one.function()))).isPresent();
            return isFunction ? Optional.empty() : reference
                    .map(one -> new LambdaForReference(typed, one, family, in(code)).write())
                    .orElseGet(() -> Optional.of(Reason.at(use.file(), use.range(), use.isNamed()
                            ? "the method is named here without being called, and would be passed something else"
                            : "the constructor is called here without a list of arguments; write the call first")));
        }
        return new PassedArguments(typed, call.get(), in(code)).write();
    }

    private String isNoticed(Binding use) {
        return before.snapshot().show(use.file(), use.range().start())
                + (change.becomesStatic() ? ": where this object is null the call fails, and would not any more"
                : ": where this argument is null the call would fail, and does not today");
    }

    /** {@code Tariff::due} gets the object first either way (JLS 15.13.1), another reference is bound to it. */
    private Optional<Reason> objectOfReference(AttributedFile code, Binding use) {
        boolean isFirst = change.becomesStatic() ? change.origins().size() == change.before() + 1 && change.isObject(0)
                : change.origins().size() == change.before() - 1;
        boolean isInOrder = IntStream.range(0, change.origins().size()).allMatch(i -> change.origins().get(i)
                == i + (change.becomesStatic() ? -1 : 1) || change.isObject(i));
        boolean stays = isFirst && isInOrder && LambdaForReference.reference(code, use.range())
                .filter(one -> change.typed().object().isPresent() || LambdaForReference.takesObject(code, one.path()))
                .isPresent();
        return stays ? Optional.empty() : Optional.of(Reason.at(use.file(), use.range(),
                "the method is named here without being called; write a lambda that calls it first"));
    }

    /** The constructor of an anonymous class has the parameters of the one that it calls (JLS 15.9.5.1). */
    private void anonymous(Binding use) {
        before.bindings(use.file()).stream()
                .filter(other -> other.range().equals(use.range()) && !other.isNamed()
                        && !other.key().equals(use.key()))
                .map(Binding::key).filter(SymbolKey.Method.class::isInstance).map(SymbolKey.Method.class::cast)
                .filter(constructor -> constructor.name().equals(own.name())
                        && NewSignature.parameters(constructor.descriptor()).size() == change.before())
                .forEach(constructor -> signatures.put(constructor, change.signature(constructor, false)));
    }

    /** Without type arguments, by simple name where the file knows it; an import only for documentation is none. */
    private String documented(AttributedFile code, int index) {
        String full = NamedTypes.shown(change.types().code().types().erasure(change.type(index)));
        String simple = full.substring(full.lastIndexOf('.') + 1);
        String home = full.contains(".") ? full.substring(0, full.lastIndexOf('.')) : "";
        boolean isKnown = code.equals(change.own().code()) || home.equals("java.lang")
                || home.equals(code.file().header().packageName())
                || code.file().outline().imports().stream()
                        .anyMatch(line -> line.name().equals(full.replace("[]", "")));
        return isKnown ? simple : full;
    }
}
