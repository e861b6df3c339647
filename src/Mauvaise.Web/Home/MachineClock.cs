namespace Mauvaise.Web.Home;

/// <summary>The machine's own clock, by which codes, sessions and guests run out; a demo garden's clock may stand still or jump.</summary>
public sealed record MachineClock(TimeProvider Time)
{
    public DateTimeOffset Now => Time.GetUtcNow();
}
