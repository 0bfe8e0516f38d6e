@extends('errors.page', ['heading' => 'Something went wrong here', 'text' => 'It has been noted in the log. Try again; drafts are kept.'])
