"""What each route asks for. A route that stands nowhere here keeps the server from starting.

Four rights, each holding those before it: ``look`` on, ``log`` (stand at the stove), ``cook`` (plan and light) and
``keep`` (change the Larder, the copies). ``here`` is only for the computer that Mulvek runs on; ``open`` for all.
"""

from flask import Flask

RIGHTS = ("look", "log", "cook", "keep")
_ROUTES = {
    "open": """
        page asset icon openapi get_me knock enter leave
        """,
    "look": """
        changes get_clock get_larder get_materials get_stove get_batch get_former get_instruments
        get_book get_record get_story get_photos get_photo get_beside get_learned learned_csv get_season get_samples export_readings
        get_rehearsals get_rehearsal get_account
        get_last_words get_curd_choices get_bases get_shelf get_shopping get_stock get_sweet_choices get_form dip_stick_pdf dip_stick_svg
        get_mend_choices diagnose get_next_time plan_day look_day move_day get_days get_day day_after day_pdf day_ical day_csv
        caramel compare_pans reckon_curdle curdle_wish mix_fruit mend_batch reckon_reduce reckon_strain wish
        get_science get_using find_using picture check_cooling late_change reckon_sweet reckon_told swap_ingredient reckon_syrup draw_pan read_lactometer
        """,
    "log": """
        add_photo remove_photo
        log_event part_batch pour_batch take_base keep_last_words
        begin_rehearsal act_rehearsed log_rehearsed use_hand set_rehearsal_speed jump_rehearsal
        """,
    "cook": """
        begin_day slip_day remove_day
        own_learned leave_out
        take_clock begin_batch pair_instrument unpair_instrument import_readings
        add_own_sweet change_own_sweet keep_told write_told change_told remove_own_sweet
        """,
    "keep": """
        set_kitchen weigh_cup time_burner add_burner change_burner remove_burner add_pan change_pan remove_pan
        add_milk change_milk remove_milk add_ingredient change_ingredient remove_ingredient
        count_stock forget_stock
        get_copies make_copy get_copy download_copy bring_back
        """,
    "here": """
        get_door open_door shut_door let_in turn_away change_device send_away forget_device get_audit
        """,
}
NEEDED = {endpoint: right for right, endpoints in _ROUTES.items() for endpoint in endpoints.split()}
"""The right that each endpoint asks for."""


def holds(allowed: str, needed: str) -> bool:
    """Whether one right holds another.

    >>> holds("cook", "log"), holds("log", "cook")
    (True, False)
    """
    return RIGHTS.index(allowed) >= RIGHTS.index(needed)


def all_stand(app: Flask) -> None:
    """:raises LookupError: when a route asks for no right."""
    missing = {rule.endpoint for rule in app.url_map.iter_rules()} - NEEDED.keys()
    if missing:
        raise LookupError(f"say in web/access/rights.py who may use {', '.join(sorted(missing))}")
