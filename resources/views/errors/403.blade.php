@extends('errors.page', ['heading' => 'That is not yours to do', 'text' =>
    'Your role does not allow this. Ask an administrator if it should.'])
