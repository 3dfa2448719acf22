package dev.deftchisel.signature.plan;

import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.header.TypedHeader;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * What becomes of a header.
 *
 * @param own     as it stands where it is changed
 * @param typed   as it is to be
 * @param origins for each typed parameter the index of the one that it was, or {@link NewSignature#ADDED}
 * @param types   of the typed header
 * @param callers that get the new parameters as well, and pass them on
 * @param passed  what single calls pass for new parameters
 * @param object  a record that takes the place of parameters
 * @param given   for parameters that go, by index, the value that they always had, which bodies give them themselves
 */
public record SignatureChange(DeclaredHeader own, TypedHeader typed, List<Integer> origins,
        HeaderTypes.Resolved types, Set<SymbolKey> callers, PlacedValues passed, Optional<ParameterObject> object,
        Map<Integer, String> given) {

    /** What stands for a value that somebody has to choose at each call. */
    static final String TO_CHOOSE = "?";

    /** Copies the collections. */
    public SignatureChange {
        origins = List.copyOf(origins);
        callers = Set.copyOf(callers);
        given = Map.copyOf(given);
    }

    /** Without callers that pass anything on. */
    public SignatureChange(DeclaredHeader own, TypedHeader typed, List<Integer> origins, HeaderTypes.Resolved types) {
        this(own, typed, origins, types, Set.of(), PlacedValues.none(), Optional.empty(), Map.of());
    }

    /** The same with callers that get the new parameters as well. */
    public SignatureChange through(Collection<SymbolKey> others) {
        return new SignatureChange(own, typed, origins, types, Set.copyOf(others), passed, object, given);
    }

    /** The same where single calls pass something else. */
    public SignatureChange passing(PlacedValues others) {
        return new SignatureChange(own, typed, origins, types, callers, others, object, given);
    }

    /** The same where bodies give parameters that go the value that they always had. */
    public SignatureChange giving(Map<Integer, String> values) {
        return new SignatureChange(own, typed, origins, types, callers, passed, object, values);
    }

    /**
     * The same where a record takes the place of parameters.
     *
     * @param values what bodies give these parameters
     */
    public SignatureChange taking(ParameterObject record, Map<Integer, String> values) {
        return new SignatureChange(own, typed, origins, types, callers, passed, Optional.of(record), values);
    }

    /** The parameters, by their index today, that are the components of a typed one; none where it is no record. */
    public List<Integer> components(int index) {
        return object.filter(one -> one.index() == index).map(ParameterObject::origins).orElse(List.of());
    }

    /** Whether calls pass nothing any more for a parameter, by its index today. */
    public boolean isLeftOut(int origin) {
        return isDropped(origin) && object.filter(one -> one.origins().contains(origin)).isEmpty();
    }

    /** Whether a call gets a mark instead of a value, which does not compile, so that it is visited. */
    public boolean isToChoose(int index) {
        return isAdded(index) && (isChosenAtCalls(index) || passed.contains(index, TO_CHOOSE));
    }

    /** Whether all calls get a mark. */
    public boolean isChosenAtCalls(int index) {
        return typed.parameters().get(index).value().map(typed::at).filter(TO_CHOOSE::equals).isPresent();
    }

    /** What one call passes for a new parameter, where that is said for it alone. */
    public Optional<String> passed(AttributedFile code, TreePath place, int index) {
        return passed.at(code, place, index).map(value -> value.equals(TO_CHOOSE) ? mark(index) : value);
    }

    /** The name that stands at calls for a value to be chosen; nothing is called by it. */
    public String mark(int index) {
        return "choose" + name(index).substring(0, 1).toUpperCase(Locale.ROOT) + name(index).substring(1);
    }

    /** How many parameters there are now. */
    public int before() {
        return own.header().parameters().size();
    }

    /** Whether a typed parameter was not there. */
    public boolean isAdded(int index) {
        return origins.get(index) == NewSignature.ADDED;
    }

    /** Whether the method has an object today that it is called on, and none then. */
    public boolean becomesStatic() {
        return typed.words().stream().map(typed::at).anyMatch("static"::equals)
                && !own.element().getModifiers().contains(Modifier.STATIC);
    }

    /** Whether a parameter gets the object on which the method is called today. */
    public boolean isObject(int index) {
        return becomesStatic() && isAdded(index) && typed.parameters().get(index).value().map(typed::at)
                .filter("this"::equals).isPresent();
    }

    /** The new parameter that gets the object. */
    public Optional<Integer> receivingParameter() {
        return IntStream.range(0, origins.size()).filter(this::isObject).boxed().findFirst();
    }

    /** Whether a parameter, by its index today, is there no longer, in the list or as the object. */
    public boolean isDropped(int origin) {
        return !origins.contains(origin) && !objectParameter().equals(Optional.of(origin));
    }

    /** The parameter, by its index today, for which the object is passed that the method is called on then. */
    public Optional<Integer> objectParameter() {
        return typed.object().flatMap(object -> {
            String type = TypedHeader.compact(typed.at(object.type()));
            List<Integer> fitting = IntStream.range(0, before()).filter(i -> !origins.contains(i)
                    && compact(own.header(), i).equals(type)).boxed().toList();
            return fitting.size() == 1 ? Optional.of(fitting.get(0)) : Optional.empty();
        });
    }

    /** Whether the object that the method is called on becomes a parameter, or the other way round. */
    public boolean movesObject() {
        return becomesStatic() || typed.object().isPresent();
    }

    /** Whether a parameter that stays gets another type. */
    public boolean isRetyped(int index) {
        return !isAdded(index) && !compact(typed, index).equals(compact(own.header(), origins.get(index)));
    }

    private static String compact(TypedHeader header, int index) {
        return TypedHeader.compact(header.at(header.parameters().get(index).type()));
    }

    /** Whether modifiers are typed that a parameter does not have. */
    public boolean isModified(int index) {
        String modifiers = typed.at(typed.parameters().get(index).modifiers());
        return !isAdded(index) && !modifiers.isEmpty() && !modifiers.equals(own.header()
                .at(own.header().parameters().get(origins.get(index)).modifiers()));
    }

    /** The name of a typed parameter. */
    public String name(int index) {
        return typed.at(typed.parameters().get(index).name());
    }

    /** The name that the parameter had in the declaration that is changed. */
    public String oldName(int origin) {
        return own.header().at(own.header().parameters().get(origin).name());
    }

    /** The type of a typed parameter. */
    public TypeMirror type(int index) {
        return types.method().getParameters().get(index).asType();
    }

    /** Whether calls pass what they do, in the order in which they do. */
    public boolean keepsPositions() {
        return origins.equals(IntStream.range(0, before()).boxed().toList());
    }

    /** Whether what calls pass one by one for the last parameter is an array then (JLS 15.12.4.2). */
    public boolean packs() {
        int index = origins.indexOf(before() - 1);
        boolean isLast = index == origins.size() - 1 && types.method().isVarArgs();
        return own.element().isVarArgs() && index >= 0 && isRetyped(index) && !isLast
                && type(index).getKind() == TypeKind.ARRAY;
    }

    /** The header as it is declared then, in one line. */
    public String newHeader() {
        TypedHeader old = own.header();
        String result = typed.head().result().map(typed::at).or(() -> old.head().result().map(old::at))
                .map(type -> type + " ").orElse("");
        String parameters = typed.parameters().stream().map(typed::declared).collect(Collectors.joining(", "));
        String thrown = typed.thrown().map(typed::at).or(() -> old.thrown().map(old::at))
                .filter(types -> !types.isBlank()).map(types -> " throws " + types).orElse("");
        String word = becomesStatic() ? "static " : "";
        return (word + result + typed.at(typed.name()) + "(" + parameters + ")" + thrown).replaceAll("\\s+", " ");
    }

    /** Whether a list of parameters is written anew, and not only names in it. */
    public boolean rewritesParameters() {
        return !keepsPositions() || IntStream.range(0, origins.size()).anyMatch(i -> isRetyped(i) || isModified(i));
    }

    /** Whether the type parameters of the method become others; {@code <>} says that there are none. */
    public boolean changesTypeParameters() {
        return typed.head().typeParameters().isPresent() && !own.isOfRecord()
                && !typeParameters().equals(own.header().head().typeParameters().map(own.header()::at)
                        .map(TypedHeader::compact).orElse(""));
    }

    private String typeParameters() {
        String compact = typed.head().typeParameters().map(typed::at).map(TypedHeader::compact).orElse("");
        return compact.equals("< >") ? "" : compact;
    }

    /** Whether the result gets another type. */
    public boolean changesResult() {
        return typed.head().result().isPresent() && own.header().head().result().isPresent()
                && !TypedHeader.compact(typed.at(typed.head().result().get()))
                .equals(TypedHeader.compact(own.header().at(own.header().head().result().get())));
    }

    /** How far the method is open then, if that is typed and another. */
    public Optional<AccessLevel> newAccess() {
        return typed.access().filter(level -> level != access(own.element()));
    }

    /** How far something is open; members of interfaces need not say so. */
    public static AccessLevel access(ExecutableElement method) {
        return AccessLevel.of(method.getModifiers());
    }

    /** Whether the word {@code final} is typed where it does not stand. */
    public boolean becomesFinal() {
        return typed.words().stream().map(typed::at).anyMatch("final"::equals)
                && !own.element().getModifiers().contains(Modifier.FINAL);
    }

    /** The name that the method gets, if it is another. */
    public Optional<String> newMethodName() {
        String name = typed.at(typed.name());
        return Optional.of(name).filter(typedName -> !typedName.equals(own.header().at(own.header().name())));
    }

    /**
     * What becomes of one method of the family.
     *
     * @param hasOtherResult whether its result gets the new type too
     */
    public NewSignature signature(SymbolKey.Method method, boolean hasOtherResult) {
        List<String> parameters = NewSignature.parameters(method.descriptor());
        StringBuilder descriptor = new StringBuilder("(");
        for (int i = 0; i < origins.size(); i++) {
            descriptor.append(isAdded(i) || isRetyped(i) ? types.code().descriptor(type(i))
                    : parameters.get(origins.get(i)));
        }
        String result = method.descriptor().substring(method.descriptor().indexOf(')') + 1);
        return new NewSignature(descriptor.append(')')
                .append(hasOtherResult ? types.code().descriptor(types.method().getReturnType())
                        : result).toString(), Optional.of(announced()), becomesStatic()
                        ? new NewSignature.CalledOn.Nothing()
                        : objectParameter().<NewSignature.CalledOn>map(NewSignature.CalledOn.Parameter::new)
                                .orElse(new NewSignature.CalledOn.Same()), arity(),
                object.map(one -> Map.of(one.index(), one.origins())).orElse(Map.of()));
    }

    /** How many arguments the last parameter takes, unless that is as each method of the family declares it today. */
    private Optional<NewSignature.Arity> arity() {
        int last = origins.size() - 1;
        boolean stays = last >= 0 && origins.get(last) == before() - 1 && !isRetyped(last);
        return stays ? Optional.empty() : Optional.of(NewSignature.Arity.of(types.method()));
    }

    private List<Integer> announced() {
        return IntStream.range(0, origins.size()).mapToObj(i -> isObject(i) ? NewSignature.OBJECT : origins.get(i))
                .toList();
    }
}
